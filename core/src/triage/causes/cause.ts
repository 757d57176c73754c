import { BOWED, FAMILIES, ON_ENDPIN } from '../../instruments';
import type { Chance } from '../chance';
import type { Condition } from '../facts';
import type { Concerns, SignId } from '../signs';

/** Whose business a cause is, and how soon; `now`: it is not played until it was seen to. */
export type Mender = 'self' | 'teacher' | 'workshop';
export type HowSoon = 'now' | 'soon' | 'visit';

/** Where what is said of a cause comes from: the handbook’s section 11, common practice, or memory. */
export type Mark = 'handbook' | 'common practice' | 'memory';

/** One thing that can be wrong. */
export interface Cause extends Concerns {
  title: string;
  /** It must be ruled out before it is played on: what is done at once. */
  danger?: true;
  who: Mender;
  when: HowSoon;
  todo: string;
  never?: string;
  /** How often it is the matter with an instrument somebody complains of, and what makes it so many times likelier. */
  prior: Chance | number;
  raised?: Readonly<Partial<Record<Condition, number>>>;
  /** Signs it shows by itself, and how often. */
  shows: Readonly<Partial<Record<SignId, Chance>>>;
  mark: Mark;
}

export const BOWS: Concerns = { families: BOWED };
export const EVERY: Concerns = { families: FAMILIES };
export const CHIN: Concerns = { families: ['violin', 'viola'] };
export const STOOD: Concerns = { families: ON_ENDPIN };
export const GUITAR: Concerns = { families: ['guitar'] };
export const HARP: Concerns = { families: ['harp'] };
