export { Join as default } from '@/features/account/routes';
