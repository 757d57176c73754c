export { BrokenRoute as default } from '@/moments/strings/BrokenScreen';
