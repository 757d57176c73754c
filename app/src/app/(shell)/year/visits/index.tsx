export { Visits as default } from '@/features/jobs/routes';
