export { SettleRoute as default } from '@/features/strings/routes';
