export * from './diary';
