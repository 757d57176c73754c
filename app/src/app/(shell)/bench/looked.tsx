export { Looked as default } from '@/features/look/routes';
