export { ChangePlace as default } from '@/features/air/routes';
