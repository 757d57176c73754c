export { demoLibrary, type DemoLibrary } from './library';
export type { DemoAir, DemoSensor } from './library-air';
export { hygrometer, HYGROMETER_FAULTS, type HygrometerFault } from './hygrometer';
export { outdoors, roomAir, type RoomId } from './climate';
export { weatherAround, STATION } from './weather';
export { objectStore, type StoreKey } from './object-store';
