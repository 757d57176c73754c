export { ChangeInstrument as default } from '@/moments/kit/ChangeInstrument';
