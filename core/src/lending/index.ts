export * from './loan';
