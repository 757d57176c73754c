export { VisitRoute as default } from '@/features/jobs/routes';
