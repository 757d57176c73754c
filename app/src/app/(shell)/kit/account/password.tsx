export { ChangePassword as default } from '@/features/account/routes';
