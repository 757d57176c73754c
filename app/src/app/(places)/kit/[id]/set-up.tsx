export { SetUpRoute as default } from '@/moments/kit/SetUpSheet';
