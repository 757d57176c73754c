export * from './pace';
export * from './wear';
export * from './forecast';
export * from './threads';
