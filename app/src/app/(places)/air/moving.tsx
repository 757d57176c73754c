export { Moving as default } from '@/moments/air/Moving';
