export { KitPart as default } from '@/features/kit/KitPart';
