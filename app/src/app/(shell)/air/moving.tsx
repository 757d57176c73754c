export { Moving as default } from '@/features/air/routes';
