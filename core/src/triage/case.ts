import type { Family, Kind } from '../instruments';
import { SEEKERS, type Seeker } from '../log';
import type { CauseId } from './causes';
import type { Facts } from './facts';
import type { Concerns, Skill, SymptomId } from './signs';

/** Who plays, from the least to the most that can be asked of them. */
export const SKILLS = SEEKERS satisfies readonly Skill[];

/** That a thing is as it should be. */
export const FINE = 'fine';

/** So many earlier troubles of an instrument tell of the next. From memory. */
export const MOST_EARLIER = 20;

/** Something is wrong: of what instrument, whose, what is on record of it, what was said and what was answered. */
export interface Case {
  family: Family;
  kind: Kind | null;
  player: Seeker;
  facts: Facts;
  /** What earlier troubles of this instrument turned out to be. */
  earlier: CauseId[];
  symptoms: SymptomId[];
  /** Answers by the look; `FINE`, or one of the look’s own. */
  answers: Record<string, string>;
}

/** Whether something concerns an instrument. */
export const concerns = ({ families, kinds }: Concerns, { family, kind }: Pick<Case, 'family' | 'kind'>): boolean =>
  families.includes(family) && (kinds === undefined || (kind !== null && kinds.includes(kind)));
