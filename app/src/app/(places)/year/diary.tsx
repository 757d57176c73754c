export { Diary as default } from '@/moments/year/Diary';
