export { DrillRoute as default } from '@/features/bench/Drill';
