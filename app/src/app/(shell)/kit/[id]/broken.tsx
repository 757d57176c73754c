export { BrokenRoute as default } from '@/features/strings/routes';
