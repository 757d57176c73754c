export { AirRoute as default } from '@/moments/air/AirRoute';
