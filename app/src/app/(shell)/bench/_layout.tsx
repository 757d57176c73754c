export { BenchBeside as default } from '@/features/bench/BenchBeside';
