export { AddInstrument as default } from '@/features/kit/AddInstrument';
