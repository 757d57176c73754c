export { HouseholdSchools as default } from '@/features/account/routes';
