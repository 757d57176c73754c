import type { Sweat } from '../instruments';
import type { InstrumentLog } from '../log';
import { LONGEST_SESSION_H } from '../log/sessions';
import type { Person } from '../people';
import { SWEAT_FACTORS, type Hands } from '../strings';
import { DAY_MS, HOUR_MS } from '../time';
import type { PaceSeen } from '../wear';
import type { OwnInstrument } from './own-instrument';

/** Somebody who plays, as far as it matters here. */
export type Player = Pick<Person, 'id' | 'plays' | 'schools' | 'hands'>;

/** More instruments than one person plays: a school's, a library's. From memory. */
const ONE_PERSONS = 6;
/** How far back it is looked who plays an instrument. From memory: a term. */
const SHARE_DAYS = 90;

/** Those who play an instrument. */
export const playersOf = <P extends Pick<Person, 'plays'>>(instrumentId: string, people: readonly P[]): P[] =>
  people.filter(({ plays }) => plays.includes(instrumentId));

/**
 * Other instruments that the same person plays, so that what is learned of strings on one tells of the others. Where it was said who plays it, those of the same persons; where not, those of which nobody said it either, of a child a
 * child's, of an adult an adult's, and none in a household that has more than one person plays.
 * @returns ids, without its own
 */
export function kinOf(
  instrument: OwnInstrument,
  instruments: readonly OwnInstrument[],
  people: readonly Pick<Person, 'plays'>[] = [],
): string[] {
  const others = instruments.filter(({ id }) => id !== instrument.id);
  const players = playersOf(instrument.id, people);
  if (players.length > 0)
    return others.flatMap(({ id }) => (players.some(({ plays }) => plays.includes(id)) ? [id] : []));
  if (instruments.length > ONE_PERSONS) return [];
  const isSaid = (id: string) => people.some(({ plays }) => plays.includes(id));
  return others.flatMap(({ id, setUp }) => (setUp.player === instrument.setUp.player && !isSaid(id) ? [id] : []));
}

/** Somebody's part of the playing of an instrument. */
export interface PlayShare {
  personId: string;
  /** Hours in the last ninety days, and of all of them the share; the shares of all who play it come to 1. */
  hours: number;
  share: number;
}

/**
 * How much of the playing of the last ninety days was whose. What nobody said whose it was is taken as the rest was; where nothing was
 * said at all, as everybody's alike.
 * @param ids of those who play it
 */
export function playShares({ sessions, nowMs }: Pick<InstrumentLog, 'sessions' | 'nowMs'>, ids: readonly string[]) {
  const hours = new Map(ids.map((id) => [id, 0]));
  let all = 0;
  for (let at = sessions.length - 1; at >= 0; at--) {
    const { beganAt, endedAt, who } = sessions[at]!;
    if (beganAt < nowMs - SHARE_DAYS * DAY_MS) break;
    const known = who === undefined ? undefined : hours.get(who);
    if (known === undefined) continue;
    const played = Math.min((endedAt ?? nowMs) - beganAt, LONGEST_SESSION_H * HOUR_MS) / HOUR_MS;
    hours.set(who!, known + played);
    all += played;
  }
  return [...hours].map(([personId, own]): PlayShare => ({
    personId,
    hours: own,
    share: all > 0 ? own / all : 1 / ids.length,
  }));
}

/**
 * The hands that play an instrument: those of who plays it, each by how much they do; of who did not say, what was said of the
 * instrument. A factor of several is the mean of their logarithms, as each wears the string by their own.
 */
export function handsOn(said: Sweat, players: readonly Player[], shares: readonly PlayShare[]): Hands {
  const kinds = players.map(({ hands }) => hands ?? said);
  const log = players.reduce((sum, { id }, at) => {
    const { share } = shares.find(({ personId }) => personId === id)!;
    return sum + share * Math.log(SWEAT_FACTORS[kinds[at]!]);
  }, 0);
  const differ = new Set(kinds).size > 1;
  const kind = differ ? null : (kinds[0] ?? said);
  return {
    kind,
    factor: kind ? SWEAT_FACTORS[kind] : Math.exp(log),
    own: players.some(({ hands }) => (hands ?? null) !== null),
  };
}

/** What one instrument tells of how much each of those who play it plays. */
export interface PaceTold extends PaceSeen {
  /** The share of each, in hundredths: an evening's playing makes nothing else anew. */
  shares: readonly Omit<PlayShare, 'hours'>[];
}

/** Of what is played on one instrument the part of some of its players; null where none of it is theirs. */
export function partOfPace({ hoursPerDay, logSd, shares }: PaceTold, ids: ReadonlySet<string>): PaceSeen | null {
  const share = shares.reduce((sum, each) => (ids.has(each.personId) ? sum + each.share : sum), 0);
  return share > 0 ? { hoursPerDay: hoursPerDay * share, logSd } : null;
}
