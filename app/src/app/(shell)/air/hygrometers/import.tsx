export { ImportRoute as default } from '@/features/intakes/routes';
