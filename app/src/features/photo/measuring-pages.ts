export { Gauge } from '../gauge/Gauge';
export { LookPhoto } from './LookPhoto';
export { MeasurePhoto } from './MeasurePhoto';
export { Photos } from './Photos';
