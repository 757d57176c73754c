export { CARD_MM } from './card';
export * from './bow-gap';
export * from './bridge-lean';
export * from './find-card';
export * from './gauge';
export * from './geometry';
export * from './header';
export * from './picture';
export * from './plane';
