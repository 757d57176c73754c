export { InstrumentRoute } from './InstrumentRoute';
export { InstrumentScreen } from './InstrumentScreen';
export { Kit } from './Kit';
