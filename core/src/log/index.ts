export * from './admission';
export * from './events';
export * from './fold';
export * from './playing';
export * from './retraction';
export * from './sessions';
