export { SaltCheckRoute as default } from '@/features/air/routes';
