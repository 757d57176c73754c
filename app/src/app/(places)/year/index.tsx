export { YearRoute as default } from '@/moments/year/Year';
