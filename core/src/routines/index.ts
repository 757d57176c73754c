export * from './closing';
export * from './opening-steps';
export * from './packing-steps';
export * from './rounds';
export * from './step';
