export { Kit as default } from '@/features/kit/kit-routes';
