export { Now as default } from '@/moments/now/Now';
