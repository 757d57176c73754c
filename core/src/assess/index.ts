export * from './assessment';
export * from './household';
export * from './workshop';
