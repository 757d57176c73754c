export { Costs as default } from '@/features/year/routes';
