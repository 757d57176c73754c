export type { LookGuide } from './guide';
export { LOOK_GUIDES } from './guides';
export * from './round';
export * from './whole';
