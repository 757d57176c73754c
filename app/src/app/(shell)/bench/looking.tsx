export { LookRound as default } from '@/features/look/routes';
