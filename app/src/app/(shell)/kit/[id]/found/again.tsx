export { LookAgainRoute as default } from '@/features/look/routes';
