export { Packing as default } from '@/moments/bench/Packing';
