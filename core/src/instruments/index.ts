export * from './families';
export * from './instrument';
