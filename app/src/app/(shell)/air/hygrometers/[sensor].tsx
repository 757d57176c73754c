export { HygrometerRoute as default } from '@/features/air/HygrometerScreen';
