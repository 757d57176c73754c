export * from './occasions';
export * from './items';
export * from './plan';
export * from './costs';
