export { Calendar as default } from '@/features/year/Calendar';
