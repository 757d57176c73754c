export { BowsRoute as default } from '@/features/kit/kit-routes';
