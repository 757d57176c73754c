export * from './closing';
export * from './opening-steps';
export * from './packing-steps';
export * from './packing';
export * from './rounds';
export * from './step';
