export { Jobs as default } from '@/features/jobs/routes';
