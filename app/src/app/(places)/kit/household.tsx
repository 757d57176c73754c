export { HouseholdScreen as default } from '@/moments/kit/HouseholdScreen';
