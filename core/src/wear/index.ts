export * from './life';
export * from './factor';
export * from './pace';
export * from './forecast';
