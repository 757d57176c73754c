export { LeaveForGood as default } from '@/features/account/routes';
