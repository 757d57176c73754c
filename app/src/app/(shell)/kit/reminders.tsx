export { RemindersScreen as default } from '@/features/account/routes';
