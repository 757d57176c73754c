export { CARD_MM } from './card';
export * from './gauge';
