export { InstrumentSchools as default } from '@/moments/kit/Schools';
