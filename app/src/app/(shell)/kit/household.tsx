export { HouseholdScreen as default } from '@/features/kit/HouseholdScreen';
