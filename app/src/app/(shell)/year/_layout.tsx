export { YearBeside as default } from '@/features/year/YearBeside';
