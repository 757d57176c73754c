export { SessionScreen as default } from '@/features/kit/kit-routes';
