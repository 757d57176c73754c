export { Gauge as default } from '@/features/gauge/Gauge';
