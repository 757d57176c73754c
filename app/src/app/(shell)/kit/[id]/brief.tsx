export { BriefRoute as default } from '@/features/jobs/routes';
