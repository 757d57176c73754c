export { Gauge } from '../gauge/Gauge';
export { LookPhoto } from './LookPhoto';
export { MeasurePhoto } from './MeasurePhoto';
export { PhotoChoice } from './PhotoChoice';
export { Photos } from './Photos';
export { StateRoute } from './StateScreen';
