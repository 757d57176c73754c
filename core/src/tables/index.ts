export * from './encoding';
export * from './cells';
export * from './dates';
