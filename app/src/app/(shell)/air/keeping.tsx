export { Keeping as default } from '@/features/air/routes';
