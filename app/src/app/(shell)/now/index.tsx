export { Now as default } from '@/features/now/Now';
