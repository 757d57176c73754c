import type { Cause } from '../inspection';
import type { Applies, LookId, Verdict } from '../instruments';
import type { Looker } from '../log';

/** One look in one wording. Wordings of the same look exclude each other. */
export interface LookGuide {
  look: LookId;
  /** Where this wording is only for some of those the look is for. */
  for?: Applies;
  /** What is asked. */
  asks: string;
  /** How it is looked at, one sentence after another. */
  how: readonly string[];
  /** What each answer looks like. */
  signs: Readonly<Record<Verdict, string>>;
  /** What to do about what is found. */
  do: Readonly<Record<Exclude<Verdict, 'good'>, string>>;
  caution?: string;
  /** The least practised who may look: harm can be done, or it takes a trained eye. */
  from: Looker;
  minutes: number;
  /** How much it tells by itself, and when something gives cause: a quick round takes what tells most. */
  tells: number;
  causes?: Partial<Readonly<Record<Cause, number>>>;
}
