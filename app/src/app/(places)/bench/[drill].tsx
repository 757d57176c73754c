export { DrillRoute as default } from '@/moments/bench/Drill';
