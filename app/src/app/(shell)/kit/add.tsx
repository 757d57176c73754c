export { AddInstrument as default } from '@/features/kit/facts-routes';
