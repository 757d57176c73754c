export { MayUse as default } from '@/features/bench/routes';
