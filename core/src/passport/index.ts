export * from './identity';
