export { PassportRoute as default } from '@/features/jobs/routes';
