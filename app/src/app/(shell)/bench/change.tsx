export { ChangeRoute as default } from '@/features/strings/routes';
