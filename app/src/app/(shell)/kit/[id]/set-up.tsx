export { SetUpRoute as default } from '@/features/kit/kit-routes';
