import { tz, TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import type { AirVerdict } from '../air';
import type { InstrumentLog } from '../log';
import { DAY_MS } from '../time';

/** What the log gives as a reason to look an instrument over. */
export const CAUSES = ['never', 'time', 'knock', 'journey', 'strings', 'season', 'dry', 'damp'] as const;
export type Cause = (typeof CAUSES)[number];

/** Why an instrument is to be looked over, and since when there has been that reason, ms. */
export interface Reason {
  cause: Cause;
  at: number;
}

/** A full look-over is due a few times a year [handbook 9]: every four months. Derived. */
export const LOOK_OVER_DAYS = 120;
/** A cause that nobody followed is no longer one after so long. From memory. */
const CAUSE_DAYS = 45;
/** New strings are looked at once they have pulled for a day. From memory. */
const STRINGS_DAYS = 1;
/** The same trouble with the air gives cause once in so long. From memory. */
const AIR_DAYS = 30;
/** Sessions after which an instrument that nobody ever looked over is offered for it. From memory. */
const FIRST_SESSIONS = 5;

/** What the causes are told from. */
export interface CauseContext {
  log: Pick<InstrumentLog, 'nowMs' | 'timeZone' | 'sessions' | 'lookOvers' | 'knocks' | 'moves' | 'fittings'>;
  air: { verdict: Pick<AirVerdict, 'state' | 'side'> } | null;
  /** Months (1–12) in which the heating comes on and goes off where it lives; null without heating, or where nobody knows. */
  heating: { from: number; to: number } | null;
}

/** When it came home from a journey last, ms; null when it never did, or is still away. */
function homeSince({ moves }: CauseContext['log']): number | null {
  const last = moves.findLastIndex(({ placeId }) => placeId === null);
  const back = last < 0 ? undefined : moves[last + 1];
  return back?.at ?? null;
}

/** The last turn of the heating season before now, ms. */
function lastTurn({ nowMs, timeZone }: CauseContext['log'], heating: CauseContext['heating']): number | null {
  if (!heating) return null;
  const year = new TZDate(nowMs, timeZone).getFullYear();
  const turns = [year - 1, year].flatMap((each) => [
    new TZDate(each, heating.from - 1, 1, timeZone).getTime(),
    new TZDate(each, heating.to, 1, timeZone).getTime(),
  ]);
  return Math.max(...turns.filter((at) => at <= nowMs));
}

/**
 * Every reason the log and the air give to look an instrument over now, the most pressing first.
 */
export function reasonsToLook({ log, air, heating }: CauseContext): Reason[] {
  const { nowMs, timeZone } = log;
  // A look at the bow says nothing of the instrument.
  const ended = log.lookOvers.filter(({ endedAt, extent }) => endedAt !== null && extent !== 'bow');
  const last = Math.max(-Infinity, ...ended.map(({ endedAt }) => endedAt!));
  const lastFull = Math.max(
    -Infinity,
    ...ended.flatMap(({ extent, endedAt }) => (extent === 'full' ? [endedAt!] : [])),
  );
  const fresh = (at: number | null): at is number => at !== null && at > last && nowMs - at <= CAUSE_DAYS * DAY_MS;

  const knock = log.knocks.at(-1)?.at ?? null;
  const home = homeSince(log);
  const fitted = log.fittings.findLast(({ known, reason }) => known && reason !== 'on-record')?.at ?? null;
  const turn = lastTurn(log, heating);
  const side = air?.verdict.state === 'act' ? air.verdict.side : null;
  const played = log.sessions.length;

  const reasons: (Reason | null)[] = [
    fresh(knock) ? { cause: 'knock', at: knock } : null,
    fresh(home) ? { cause: 'journey', at: home } : null,
    fresh(fitted) && nowMs - fitted >= STRINGS_DAYS * DAY_MS ? { cause: 'strings', at: fitted } : null,
    side && nowMs - last > AIR_DAYS * DAY_MS ? { cause: side, at: nowMs } : null,
    ended.length === 0 && played >= FIRST_SESSIONS
      ? { cause: 'never', at: log.sessions[FIRST_SESSIONS - 1]!.beganAt }
      : null,
    fresh(turn) && ended.length > 0 ? { cause: 'season', at: turn } : null,
    ended.length > 0 && nowMs - lastFull > LOOK_OVER_DAYS * DAY_MS
      ? { cause: 'time', at: timeOf(Number.isFinite(lastFull) ? lastFull : last, timeZone) }
      : null,
  ];
  return reasons.filter((reason) => reason !== null);
}

const timeOf = (lastMs: number, timeZone: string) => addDays(lastMs, LOOK_OVER_DAYS, { in: tz(timeZone) }).getTime();
