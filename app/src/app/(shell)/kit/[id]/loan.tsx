export { LoanRoute as default } from '@/features/lending/routes';
