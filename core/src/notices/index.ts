export * from './budget';
export * from './kinds';
