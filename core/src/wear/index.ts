export * from './life';
export * from './factor';
export * from './pauses';
export * from './pace';
export * from './forecast';
