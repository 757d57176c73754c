export * from './units';
export * from './zone';
