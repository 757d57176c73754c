export { BowsRoute as default } from '@/features/bows/Bows';
