export { ChangeInstrument as default } from '@/features/kit/kit-routes';
