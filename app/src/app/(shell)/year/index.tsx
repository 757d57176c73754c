export { YearRoute as default } from '@/features/year/routes';
