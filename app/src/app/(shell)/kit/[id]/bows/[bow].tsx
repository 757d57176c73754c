export { BowRoute as default } from '@/features/kit/kit-routes';
