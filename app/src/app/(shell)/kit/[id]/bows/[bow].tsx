export { BowRoute as default } from '@/features/bows/routes';
