export { Bench as default } from '@/features/bench/bench-route';
