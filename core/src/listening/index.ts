export * from './detect';
