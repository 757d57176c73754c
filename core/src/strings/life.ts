import type { Family, Kind } from '../instruments/families';
import type { InstrumentLog } from '../log';
import type { Life } from '../upkeep/wear';
import { LIFE_LOG_SD } from './learning';
import type { StringSpec } from './spec';
import type { Sweat } from './stringing';

/** Where a life comes from: the trade's rule, or a stand-in default where the trade gives none. */
export type LifeBasis = 'trade' | 'default';

const BOWED_LIFE = { hours: 547, days: 547 } as const;
const GUITAR_LIFE = { hours: 183, days: 362 } as const;

/**
 * The two-clock life of a string [handbook 4]: wear u = hours/H + days/D, spent at u = 1.
 * Bowed: 12 months at 0.5 h/day, 6 at 2 h/day. Guitar: 6 months at 0.5 h/day, 3 at 1.5 h/day.
 * Gut, coated strings, nylon and harp registers have no rule in the trade's own figures: stated defaults, from memory.
 * @param spec what is on; null where nobody said, and the family's usual make-up is taken
 */
export function stringLife(
  family: Family,
  kind: Kind | null,
  spec: StringSpec | null = null,
): Life & { basis: LifeBasis } {
  const made = (hours: number, days: number, basis: LifeBasis) => {
    const longer = spec?.coated ? COATED_LASTS : 1;
    return { hours: hours * longer, days: days * longer, logSd: LIFE_LOG_SD, basis: spec?.coated ? 'default' : basis };
  };
  if (family === 'harp') {
    // Middle gut octaves are commonly renewed every one to two years, nylon and wire later.
    const days = spec?.core === 'steel' ? 1825 : spec?.core === 'nylon' || spec?.core === 'carbon' ? 1095 : 730;
    return made(1.5 * days, days, 'default');
  }
  if (family === 'guitar') {
    const soft = kind === 'classical' || (spec !== null && spec.core !== 'steel');
    return made(GUITAR_LIFE.hours, GUITAR_LIFE.days, soft ? 'default' : 'trade');
  }
  if (spec?.core === 'gut') return made(0.6 * BOWED_LIFE.hours, 0.6 * BOWED_LIFE.days, 'default');
  return made(BOWED_LIFE.hours, BOWED_LIFE.days, 'trade');
}

/** A coating keeps sweat out: so much longer a coated string lasts. From memory, as a stated default. */
const COATED_LASTS = 2;

/** How the player's hands lengthen or shorten a string's life. From memory, as stated defaults. */
export const SWEAT_FACTORS: Readonly<Record<Sweat, number>> = { low: 1.15, usual: 1, corrosive: 0.7 };

/** Wiping never and wiping always, as factors of the life; between them it goes by the share of sessions. From memory, stated. */
export const WIPING_FACTORS = { never: 0.85, always: 1.1 } as const;
/** Sessions looked at, and how few of them still tell nothing. */
const WIPING_SESSIONS = 60;
const WIPING_LEAST = 8;

/** How regularly strings were wiped, measured from the log. */
export interface WipingHabit {
  /** Of the last sessions on record, those after which the strings were wiped. */
  share: number;
  sessions: number;
  factor: number;
}

/**
 * The wiping habit of the last sessions.
 * @returns null while fewer than eight sessions have a closing round on record
 */
export function wipingHabit(log: Pick<InstrumentLog, 'sessions' | 'steps'>): WipingHabit | null {
  const wiped = new Map<string, boolean>();
  for (const { step, done, sessionId } of log.steps)
    if (step === 'wipe-strings' && sessionId !== null) wiped.set(sessionId, done);
  const told = log.sessions.flatMap(({ parts }) => {
    const known = parts.flatMap((id) => wiped.get(id) ?? []);
    return known.length === 0 ? [] : [known.some(Boolean)];
  });
  const last = told.slice(-WIPING_SESSIONS);
  if (last.length < WIPING_LEAST) return null;
  const share = last.filter(Boolean).length / last.length;
  return {
    share,
    sessions: last.length,
    factor: WIPING_FACTORS.never + share * (WIPING_FACTORS.always - WIPING_FACTORS.never),
  };
}
