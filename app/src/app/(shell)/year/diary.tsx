export { Diary as default } from '@/features/year/Diary';
