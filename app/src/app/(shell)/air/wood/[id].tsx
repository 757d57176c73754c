export { WoodRoute as default } from '@/features/air/routes';
