export { AirBeside as default } from '@/features/air/routes';
