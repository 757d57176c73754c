export { Opening as default } from '@/features/now/Opening';
