export { Bench as default } from '@/moments/bench/Bench';
