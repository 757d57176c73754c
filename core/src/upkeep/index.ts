export * from './pace';
export * from './wear';
export * from './forecast';
export * from './condition';
export * from './parts';
