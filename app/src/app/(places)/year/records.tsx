export { Records as default } from '@/moments/year/Records';
