export { Cupboard as default } from '@/moments/strings/Cupboard';
