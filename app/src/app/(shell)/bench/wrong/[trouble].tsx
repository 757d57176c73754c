export { CaseRoute as default } from '@/features/jobs/routes';
