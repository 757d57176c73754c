export { CompareRoute as default } from '@/features/strings/routes';
