export { AddPasskey as default } from '@/features/account/routes';
