export { AddInstrument as default } from '@/moments/kit/AddInstrument';
