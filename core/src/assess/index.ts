export * from './assessment';
export * from './household';
