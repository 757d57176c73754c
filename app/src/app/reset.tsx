export { Reset as default } from '@/features/account/routes';
