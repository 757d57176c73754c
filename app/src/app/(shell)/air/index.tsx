export { AirRoute as default } from '@/features/air/routes';
