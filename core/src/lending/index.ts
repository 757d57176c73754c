export * from './loan';
export * from './differences';
export * from './cupboard';
export * from './work';
