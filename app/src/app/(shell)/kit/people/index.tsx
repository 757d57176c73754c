export { People as default } from '@/features/account/routes';
