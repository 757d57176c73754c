export { Records as default } from '@/features/year/Records';
