export { StrungRoute as default } from '@/features/strings/routes';
