export * from './hair';
export * from './rosin';
export * from './tension';
