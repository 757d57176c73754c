export * from './case';
export { CAUSES, type Cause, type CauseId, type HowSoon, type Mender } from './causes';
export { CHANCES, type Chance } from './chance';
export { CONDITIONS, factsSchema, type Condition, type Facts } from './facts';
export * from './judge';
export * from './on-record';
export * from './trouble';
export { beliefIn, MOST_PRESENT, type Belief, type Network, type Seen } from './network';
export * from './signs';
