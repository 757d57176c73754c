export { PersonRoute as default } from '@/features/account/routes';
