export { LookRoute as default } from '@/features/look/routes';
