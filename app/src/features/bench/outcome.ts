import type { Instrument } from '@tembrin/contract';
import type { StepId } from '@tembrin/core/log';

export interface DrillOutcome {
  right: number;
  of: number;
  /** Steps of the round that were missed. */
  missed: readonly StepId[];
}

/** What a drill is given: the instrument, and what to call when it is over. */
export interface DrillProps {
  instrument: Instrument;
  onOver: (outcome: DrillOutcome) => void;
}
