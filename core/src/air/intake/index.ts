export * from './reading';
export * from './logger-file';
export * from './senml';
export * from './course';
