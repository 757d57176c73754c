/** Tembrin's computation: pure functions of (log, settings, time). */
export * from './time';
export * from './instruments';
export * from './log';
export * from './strings';
export * from './bow';
export * from './routines';
export * from './upkeep';
