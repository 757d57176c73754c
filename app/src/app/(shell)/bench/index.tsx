export { Bench as default } from '@/features/bench/routes';
