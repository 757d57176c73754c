export { Diary as default } from '@/features/intakes/routes';
