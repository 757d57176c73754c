export { WorkScreen as default } from '@/features/lending/routes';
