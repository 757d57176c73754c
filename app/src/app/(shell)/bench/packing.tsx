export { Packing as default } from '@/features/bench/routes';
