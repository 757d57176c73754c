export { CARD_MM } from './card';
export * from './bow-gap';
export * from './find-card';
export * from './gauge';
export * from './geometry';
export * from './header';
export * from './picture';
export * from './plane';
export { edgesOf } from './segments';
