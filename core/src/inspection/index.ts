export * from './advice';
export * from './cause';
export * from './evidence';
export * from './findings';
export * from './limits';
export * from './look-over';
export * from './rehair';
