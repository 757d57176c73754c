export { LookStart as default } from '@/features/look/routes';
