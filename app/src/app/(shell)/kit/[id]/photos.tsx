export { Photos as default } from '@/features/photo/routes';
