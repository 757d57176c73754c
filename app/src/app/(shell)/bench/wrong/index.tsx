export { WrongStart as default } from '@/features/jobs/routes';
