export { ChangeInstrument as default } from '@/features/kit/facts-routes';
