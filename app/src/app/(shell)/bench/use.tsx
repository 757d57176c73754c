export { MayUse as default } from '@/features/bench/may-use';
