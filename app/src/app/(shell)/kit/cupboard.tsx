export { CupboardScreen as default } from '@/features/lending/routes';
