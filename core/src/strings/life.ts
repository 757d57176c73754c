import { variantOf, type Family, type Kind, type LifeBasis, type StringSpec } from '../instruments';
import { recordsOf, type InstrumentLog } from '../log';
import { LIFE_LOG_SD, type Life } from '../wear';

/** A coating keeps sweat out: so much longer a coated string lasts. From memory, as a stated default. */
const COATED_LASTS = 2;

/**
 * The two-clock life of a string [handbook 4]: wear u = hours/H + days/D, spent at u = 1.
 * Figures stand with their kind of instrument; where the trade gives none for a make-up, `basis` says that it is a default.
 * @param spec what is on; null where nobody said, and the kind's usual core is taken
 */
export function stringLife(
  family: Family,
  kind: Kind | null,
  spec: StringSpec | null = null,
): Life & { basis: LifeBasis } {
  const { lives, usualCore } = variantOf({ family, kind });
  const { hours, days, basis } = lives[spec?.core ?? usualCore];
  if (!spec?.coated) return { hours, days, logSd: LIFE_LOG_SD, basis };
  return { hours: hours * COATED_LASTS, days: days * COATED_LASTS, logSd: LIFE_LOG_SD, basis: 'default' };
}

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
  for (const { done, sessionId } of recordsOf(log, 'wipe-strings')) if (sessionId !== null) wiped.set(sessionId, done);
  if (wiped.size < WIPING_LEAST) return null;
  const last: boolean[] = [];
  for (let at = log.sessions.length - 1; at >= 0 && last.length < WIPING_SESSIONS; at--) {
    const known = log.sessions[at]!.parts.flatMap((id) => wiped.get(id) ?? []);
    if (known.length > 0) last.push(known.some(Boolean));
  }
  if (last.length < WIPING_LEAST) return null;
  const share = last.filter(Boolean).length / last.length;
  return {
    share,
    sessions: last.length,
    factor: WIPING_FACTORS.never + share * (WIPING_FACTORS.always - WIPING_FACTORS.never),
  };
}
