export { DrillRoute as default } from '@/features/bench/routes';
