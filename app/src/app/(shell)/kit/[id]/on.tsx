export { StringsRoute as default } from '@/features/strings/routes';
