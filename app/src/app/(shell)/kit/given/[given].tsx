export { GivenRoute as default } from '@/features/jobs/routes';
