export { MeasurePhoto as default } from '@/features/photo/routes';
