import type { Instrument } from '@tembrin/contract';
import type { OpenRound } from '@tembrin/core/routines';

/** A step of the round in hand, and what can be done with it. */
export interface StepActions {
  instrument: Instrument;
  round: OpenRound;
  done: () => void;
  skip: () => void;
  undo: () => void;
  /** What undo takes back. */
  undoTitle: string;
  later: () => void;
}
