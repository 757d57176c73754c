export * from './admission';
export * from './events';
export * from './fold';
export { meaningOf, referredTo } from './meanings';
export * from './playing';
export { DOERS, type Doer, type KnownMark, type Mark } from './primitives';
export * from './readers';
export * from './refusal';
export * from './retraction';
export { DRILLS, STEPS, type DrillId, type DrillResult, type StepId, type StepRecord } from './round-events';
export {
  CHANGE_WAYS,
  FIT_REASONS,
  type FitReason,
  type Fitting,
  type StringChange,
  type TuningMark,
} from './string-events';
export {
  EXTENTS,
  LOOKERS,
  SETTLED,
  type Extent,
  type Finding,
  type Looker,
  type LookOver,
  type Settled,
} from './finding-events';
export type { Move, Weighing } from './air-events';
export type { Work } from './job-events';
export { stayNow, type DoneWork, type WorkshopStay } from './visit-events';
export { withoutCosts } from './without-costs';
export { SEEKERS, type Seeker, type Trouble } from './trouble-events';
export type { OfBow } from './bow-events';
export type { Measure } from './care-events';
export { photoHash, type Photographed } from './photo-events';
export { SESSION_TYPES } from './session-events';
export { sessionIndex } from './session-index';
export * from './sessions';
