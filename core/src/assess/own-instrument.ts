import type { InstrumentFacts } from '../instruments';

/** An instrument of a household. */
export type OwnInstrument = InstrumentFacts & {
  id: string;
  /** When the household began to record it: an instant in ISO 8601. */
  addedAt: string;
};
