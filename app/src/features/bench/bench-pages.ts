export { Bench } from './Bench';
export { DrillRoute } from './Drill';
export { MayUse } from './MayUse';
export { Packing } from './Packing';
