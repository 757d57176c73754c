export { AddPlace as default } from '@/features/air/routes';
