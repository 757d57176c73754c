export * from './person';
export * from './roles';
export * from './ways';
