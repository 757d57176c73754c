export * from './life';
export * from './on';
