export { Gauge } from '../gauge/Gauge';
export { MeasurePhoto } from './MeasurePhoto';
