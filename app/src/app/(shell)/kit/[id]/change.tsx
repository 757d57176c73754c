export { ChangeInstrument as default } from '@/features/kit/ChangeInstrument';
