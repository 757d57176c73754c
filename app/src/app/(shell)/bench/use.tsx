export { MayUse as default } from '@/features/bench/MayUse';
