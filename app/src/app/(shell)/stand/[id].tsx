export { StandRoute as default } from '@/features/account/routes';
