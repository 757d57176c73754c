export { CompareRoute as default } from '@/moments/strings/CompareScreen';
