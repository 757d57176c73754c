export { Take as default } from '@/features/jobs/routes';
