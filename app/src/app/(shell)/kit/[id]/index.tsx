export { InstrumentRoute as default } from '@/features/kit/InstrumentRoute';
