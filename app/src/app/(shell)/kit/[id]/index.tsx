export { InstrumentRoute as default } from '@/features/kit/kit-routes';
