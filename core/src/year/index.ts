export * from './occasions';
export * from './appointments';
export * from './plan';
export * from './costs';
export * from './currency';
