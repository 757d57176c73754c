import { STRETCHED_TURNS } from '../bow';
import type { Family, Figure, InstrumentFacts, Kind, Verdict } from '../instruments';
import { DAY_MS } from '../time';

/** A figure that was read. */
export interface FigureRead {
  figure: Figure;
  value: number;
}

/** The same thing as it was read before. */
export interface Earlier extends FigureRead {
  at: number;
}

/** What figures are judged against. */
export interface LimitContext {
  facts: Pick<InstrumentFacts, 'family' | 'kind'>;
  /** What was read before, in order of time. */
  earlier: readonly Earlier[];
  /** When the hair that is on was put on, ms; null where nobody knows. */
  rehairedAt: number | null;
  nowMs: number;
}

/** Bridge off square, degrees; off its place, mm [handbook 9, from memory]. */
const LEAN_LIMITS = { watch: 1.5, act: 4 } as const;
const PLACE_LIMITS = { watch: 1, act: 2 } as const;
/** Hair against ferrule, percent [handbook 9; half is the trade's, the limits from memory]. */
export const BAND_LIMITS = { watch: 85, act: 60 } as const;
/** Broken hairs a week [handbook 9, from memory]. */
const BROKEN_A_WEEK = 10;
/** Side bend of the stick, mm [handbook 9, from memory]. */
const BEND_LIMITS = { watch: 1, act: 2 } as const;
/** Cents off when sharpened [handbook 9, from memory]. */
const SHARPENED_CENTS = 10;
/** A change of a guitar's action, mm [handbook 9, from memory]. */
const ACTION_CHANGE_MM = 0.4;
/** A change of the string height since the last reading from which something is to be done; half of it is watched [handbook 9, from memory]. */
const HEIGHT_CHANGE_MM: Readonly<Partial<Record<Family, number>>> = { violin: 1, viola: 1, cello: 1.5, bass: 1.5 };

/** String height over the end of the fingerboard, mm: highest string, lowest string [handbook 9, from memory]. */
const USUAL_HEIGHT_MM: Readonly<Partial<Record<Family, readonly [number, number]>>> = {
  violin: [3.5, 5.5],
  viola: [4.5, 6.5],
  cello: [5, 8],
  bass: [6, 10],
};
/** Action at the twelfth fret, mm: highest string, lowest string [handbook 9, from memory; of a bass guitar from memory]. */
const USUAL_ACTION_MM: Readonly<Partial<Record<Kind, readonly [number, number]>>> = {
  steel: [1.8, 2.4],
  electric: [1.5, 2],
  classical: [3, 4],
  'bass-guitar': [2, 2.6],
};
/** Neck relief, mm: from and to [handbook 9, from memory; of a bass guitar from memory]. */
const RELIEF_MM: Readonly<Partial<Record<Kind, readonly [number, number]>>> = {
  steel: [0.2, 0.3],
  electric: [0.15, 0.25],
  classical: [0.1, 0.3],
  'bass-guitar': [0.2, 0.4],
};
/** The usual relief of a guitar's neck, mm: from and to; null where nobody has given it for its kind. */
export const usualRelief = (kind: Kind | null): readonly [number, number] | null => RELIEF_MM[kind ?? 'steel'] ?? null;
const RELIEF_BEYOND_MM = 0.1;
const MOST_RELIEF_MM = 0.5;
/** A rate of breaking is told from so many days on. */
const LEAST_DAYS = 7;

/** Steps of a figure where more is worse. */
const rising = (value: number, { watch, act }: { watch: number; act: number }): Verdict =>
  value > act ? 'act' : value > watch ? 'watch' : 'good';
const WORSE: Readonly<Record<Verdict, number>> = { good: 0, watch: 1, act: 2 };
/** The worst of several verdicts; null of none. */
export const worst = (verdicts: readonly Verdict[]): Verdict | null =>
  verdicts.reduce<Verdict | null>((a, b) => (a === null || WORSE[b] > WORSE[a] ? b : a), null);

const lastOf = (earlier: readonly Earlier[], figure: Figure) => earlier.findLast((each) => each.figure === figure);

/** By the change since the last reading; a first one against what is usual, which never asks for more than to be watched. */
function byChange(
  { figure, value }: FigureRead,
  { earlier }: LimitContext,
  limits: { watch: number; act: number },
  usual: number | undefined,
): Verdict | null {
  const before = lastOf(earlier, figure);
  // Readings lie on a ruler's marks: a change that is exactly the limit has reached it.
  if (before) return rising(Math.abs(value - before.value) + 1e-6, limits);
  if (usual === undefined) return null;
  return Math.abs(value - usual) > (Number.isFinite(limits.act) ? limits.act : limits.watch * 2) ? 'watch' : 'good';
}

function byRelief(value: number, kind: Kind | null): Verdict | null {
  const range = RELIEF_MM[kind ?? 'steel'];
  if (!range) return null;
  if (value <= 0 || value > MOST_RELIEF_MM) return 'act';
  const beyond = Math.max(range[0] - value, value - range[1]);
  return beyond >= RELIEF_BEYOND_MM - 1e-9 ? 'watch' : 'good';
}

/** Turns against those this hair took first. */
function byTurns(value: number, { earlier, rehairedAt }: LimitContext): Verdict | null {
  const first = earlier.find(({ figure, at }) => figure === 'bow-turns' && at >= (rehairedAt ?? -Infinity));
  return first ? (value - first.value >= STRETCHED_TURNS ? 'watch' : 'good') : null;
}

/** Hairs broken since they were counted last, by the week; since the rehair, where they never were. */
function byBreaking(value: number, { earlier, rehairedAt, nowMs }: LimitContext): Verdict | null {
  const since = lastOf(earlier, 'bow-hairs-broken')?.at ?? rehairedAt;
  if (since === null) return null;
  const weeks = Math.max(LEAST_DAYS, (nowMs - since) / DAY_MS) / 7;
  return value / weeks > BROKEN_A_WEEK ? 'watch' : 'good';
}

/**
 * What a figure means by the limits of the trade.
 * @returns null where a figure alone says nothing
 */
export function verdictOf(reading: FigureRead, context: LimitContext): Verdict | null {
  const { figure, value } = reading;
  const { family, kind } = context.facts;
  switch (figure) {
    case 'bridge-angle':
      return rising(Math.abs(value - 90), LEAN_LIMITS);
    case 'bridge-offset':
      return rising(value, PLACE_LIMITS);
    case 'height-high':
    case 'height-low': {
      const change = HEIGHT_CHANGE_MM[family];
      const usual = USUAL_HEIGHT_MM[family]?.[figure === 'height-high' ? 0 : 1];
      return change === undefined ? null : byChange(reading, context, { watch: change / 2, act: change }, usual);
    }
    case 'action':
    case 'action-high': {
      const usual = USUAL_ACTION_MM[kind ?? 'steel']?.[figure === 'action-high' ? 0 : 1];
      return byChange(reading, context, { watch: ACTION_CHANGE_MM, act: Infinity }, usual);
    }
    case 'relief':
      return byRelief(value, kind);
    case 'bow-band-tip':
    case 'bow-band-mid':
    case 'bow-band-frog':
      return value < BAND_LIMITS.act ? 'act' : value <= BAND_LIMITS.watch ? 'watch' : 'good';
    case 'bow-hairs-broken':
      return byBreaking(value, context);
    case 'bow-turns':
      return byTurns(value, context);
    case 'bow-stick-bend':
      return rising(value, BEND_LIMITS);
    case 'bow-camber':
      return value > 0 ? null : 'watch';
    case 'sharpened-off':
      return value > SHARPENED_CENTS ? 'watch' : 'good';
    default:
      return null;
  }
}

/** What several readings of one look mean together: the worst of them; null where they say nothing. */
export function verdictOfAll(readings: readonly FigureRead[], context: LimitContext): Verdict | null {
  return worst(readings.flatMap((reading) => verdictOf(reading, context) ?? []));
}
