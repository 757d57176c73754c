export { AccountScreen as default } from '@/features/account/routes';
