export { InstrumentSchools as default } from '@/features/account/routes';
