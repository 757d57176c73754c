export { AddPerson as default } from '@/features/account/routes';
