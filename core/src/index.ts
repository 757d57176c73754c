/** Tembrin's computation: pure functions of (log, settings, time). */
export * from './time';
export * from './schools';
export * from './instruments';
export * from './log';
export * from './air';
export * from './strings';
export * from './sound';
export * from './bow';
export * from './care';
export * from './learning';
export * from './upkeep';
export * from './routines';
export * from './year';
export * from './exchange';
