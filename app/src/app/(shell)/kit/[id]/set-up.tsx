export { SetUpRoute as default } from '@/features/kit/SetUpSheet';
