export { YearRoute as default } from '@/features/year/year-route';
