import type { Instrument } from '@tembrin/contract';
import type { Moment } from '../lists';
import type { Pace } from '@tembrin/core/wear';
import type { Schools } from '@tembrin/core/schools';
import type { ThreadOf, PartId } from '@tembrin/core/parts';

/** The working of a verdict: the figures it was computed from, the rule, whose rule it is, and what would change it. */
export interface Working {
  figures: readonly Figure[];
  rule: string;
  school: string;
  changes: readonly string[];
}
export type Figure = readonly [label: string, value: string];

/** What a working is put together from, beside the thread. */
export interface WorkingContext {
  pace: Pace;
  instrument: Instrument;
  schools: Schools;
  moment: Moment;
}

/** The one figure that matters, and what it counts. */
export interface KeyFigure {
  figure: string | null;
  unit: string | null;
}

/** What is said and asked when a part begins anew. */
export interface BegunCopy {
  /** Title of the sheet it is put on record by. */
  title: string;
  question: string;
  /** The same when an instrument is added. */
  firstQuestion: string;
  /** What was done, on a button; and saying when. */
  done: string;
  ask: string;
  /** Said afterwards. */
  recorded: string;
}

/** Everything said of one part. */
export interface PartCopy<P extends PartId> {
  /** Said at the top when it is due. */
  due: string;
  /** Why the thread stands as it does, in a sentence or two with its figures. */
  reason: (thread: ThreadOf<P>, instrument: Instrument, moment: Moment) => string;
  keyFigure: (thread: ThreadOf<P>, moment: Moment) => KeyFigure;
  begun: BegunCopy | null;
}

/** How the thread of a part comes about; told apart, as only its own page shows it. */
export type PartWorking<P extends PartId> = (thread: ThreadOf<P>, context: WorkingContext) => Working;
