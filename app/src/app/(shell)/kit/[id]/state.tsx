export { StateRoute as default } from '@/features/photo/routes';
