export { GiveRoute as default } from '@/features/jobs/routes';
