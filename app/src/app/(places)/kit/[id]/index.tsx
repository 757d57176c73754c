export { InstrumentRoute as default } from '@/moments/kit/InstrumentRoute';
