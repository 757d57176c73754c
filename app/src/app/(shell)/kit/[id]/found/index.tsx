export { FindingsRoute as default } from '@/features/look/routes';
