export { Moving as default } from '@/features/air/Moving';
