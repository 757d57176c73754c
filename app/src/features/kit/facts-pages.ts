export { AddInstrument } from './AddInstrument';
export { ChangeInstrument } from './ChangeInstrument';
