import type { Assessment } from '../assess';
import type { GuidedStep } from '../guided';
import type { Applies, Figure, LookId, Zone } from '../instruments';
import type { JobId } from '../guided';
import type { Seeker } from '../log';
import type { CauseId } from '../triage';

/** One step of a job at the bench, with what comes of it. */
export interface WorkStep extends GuidedStep {
  /** Where it is, on the plate. */
  zone?: Zone;
  /** What is read at it and put on record. */
  figures?: readonly Figure[];
  /** What is looked at and judged: its answer is a finding. */
  look?: LookId;
  /** It rests for so long before the next, min. */
  waitMin?: number;
  /** It can be measured by a photograph. */
  photo?: true;
  /** Things to touch one after another, in this order: one of them may be what it was. */
  touch?: readonly string[];
  /** The strings, one by one: those that are not as they should be are marked. */
  each?: true;
  /** A note is sounded meanwhile: the open strings to choose from. */
  sounds?: true;
  /** Done, it puts this on record. */
  records?: 'rosined' | 'knocked';
}

/** What a job is composed from. */
export interface WorkContext extends Pick<Assessment, 'facts' | 'schools' | 'log' | 'air' | 'bows'> {
  /** When the piece of work began, ms; null before. */
  beganAt: number | null;
}

/** A guided job of the bench. */
export interface JobData {
  id: JobId;
  /** What it is for, in a sentence. */
  text: string;
  /** About how long, min; what rests are in it not counted. From memory. */
  minutes: number;
  /** Who can do it: anyone; who plays; hands that have been shown. */
  who: Seeker;
  for?: Applies;
  /** Causes it mends, or looks into. */
  mends: readonly CauseId[];
  compose: (context: WorkContext) => WorkStep[];
}
