export { JobRoute as default } from '@/features/jobs/routes';
