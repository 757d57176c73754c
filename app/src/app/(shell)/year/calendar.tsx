export { Calendar as default } from '@/features/year/routes';
