export { StandPart as default } from '@/moments/now/StandPart';
