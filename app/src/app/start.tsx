export { StartYourOwn as default } from '@/features/auth/StartYourOwn';
