export { InstrumentSchools as default } from '@/features/kit/Schools';
