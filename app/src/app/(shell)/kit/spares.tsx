export { Spares as default } from '@/features/strings/Spares';
