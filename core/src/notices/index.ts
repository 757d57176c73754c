export * from './kinds';
export * from './concerns';
export * from './listeners';
export * from './budget';
