export { Contacts as default } from '@/features/jobs/routes';
