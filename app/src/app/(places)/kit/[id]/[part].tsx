export { KitPart as default } from '@/moments/kit/KitPart';
