export { InstrumentBeside as default } from '@/features/kit/KitBeside';
