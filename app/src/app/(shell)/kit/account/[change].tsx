export { AccountChange as default } from '@/features/account/routes';
