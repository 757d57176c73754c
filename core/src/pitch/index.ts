export * from './notes';
