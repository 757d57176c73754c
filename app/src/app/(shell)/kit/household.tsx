export { HouseholdScreen as default } from '@/features/kit/kit-routes';
