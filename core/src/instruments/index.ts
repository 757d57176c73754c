export * from './families';
export * from './figures';
export * from './instrument';
export * from './zones';
