export { SaltCheckRoute as default } from '@/moments/air/SaltCheck';
