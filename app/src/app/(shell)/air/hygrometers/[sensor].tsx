export { HygrometerRoute as default } from '@/features/air/routes';
