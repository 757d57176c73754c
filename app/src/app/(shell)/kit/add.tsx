export { AddInstrument as default } from '@/features/kit/kit-routes';
