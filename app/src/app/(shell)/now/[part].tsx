export { StandPart as default } from '@/features/now/StandPart';
