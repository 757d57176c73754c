export { IdentityRoute as default } from '@/features/jobs/routes';
