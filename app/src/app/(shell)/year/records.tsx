export { Records as default } from '@/features/year/routes';
