export { Spares as default } from '@/features/strings/routes';
