export { Forgotten as default } from '@/features/account/routes';
