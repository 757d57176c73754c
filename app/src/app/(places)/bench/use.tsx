export { MayUse as default } from '@/moments/bench/MayUse';
