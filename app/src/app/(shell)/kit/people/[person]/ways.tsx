export { WaysRoute as default } from '@/features/account/routes';
