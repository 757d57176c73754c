export * from './solve';
export * from './interpolate';
