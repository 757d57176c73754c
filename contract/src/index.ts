/** What goes over the wire: one schema for each thing, one table for every operation. How much a household keeps stands beside it. */
export * from './account';
export * from './air';
export * from './briefs';
export * from './cards';
export * from './contacts';
export * from './events';
export * from './household';
export * from './intake';
export * from './instrument';
export * from './photos';
export * from './problem';
export * from './reading-faults';
export * from './refusals';
export * from './shares';
export * from './year';
export * from './year-words';
export * from './operations';
