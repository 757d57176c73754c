export { Calendar as default } from '@/moments/year/Calendar';
