export { HygrometerRoute as default } from '@/moments/air/HygrometerScreen';
