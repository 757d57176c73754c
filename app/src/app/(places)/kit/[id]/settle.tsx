export { SettleRoute as default } from '@/moments/strings/SettleScreen';
