export { BowsRoute as default } from '@/features/bows/routes';
