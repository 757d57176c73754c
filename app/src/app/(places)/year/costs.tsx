export { Costs as default } from '@/moments/year/Costs';
