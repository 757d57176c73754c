export { HouseholdSchools as default } from '@/moments/kit/Schools';
