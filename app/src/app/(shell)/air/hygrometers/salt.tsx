export { SaltCheckRoute as default } from '@/features/air/SaltCheck';
