export { Confirm as default } from '@/features/account/routes';
