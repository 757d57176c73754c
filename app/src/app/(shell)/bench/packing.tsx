export { Packing as default } from '@/features/bench/Packing';
