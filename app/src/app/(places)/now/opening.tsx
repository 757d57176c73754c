export { Opening as default } from '@/moments/now/Opening';
