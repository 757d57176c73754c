export * from './units';
export * from './zone';
export * from './dates';
