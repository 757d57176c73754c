export { BrokenRoute as default } from '@/features/strings/BrokenScreen';
