export { Gauge as default } from '@/features/photo/routes';
