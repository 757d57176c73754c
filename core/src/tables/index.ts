export * from './encoding';
export * from './cells';
export * from './dates';
export * from './moments';
export { LONGEST_CELL, plainText } from './plain';
