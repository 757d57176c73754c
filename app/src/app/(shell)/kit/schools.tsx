export { HouseholdSchools as default } from '@/features/kit/Schools';
