export { ChangeAddress as default } from '@/features/account/routes';
