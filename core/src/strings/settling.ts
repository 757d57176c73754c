import { DAY_MS } from '../time';
import type { Core, StringSpec } from '../instruments';

/** How a new string gives way: left alone from the first tuning it would fall by `cents` in all, with time constant `days`. */
export interface Creep {
  cents: number;
  days: number;
}

/**
 * Usual creep by make-up. From memory, chosen so that each settles in the time the trade gives it: steel in days, synthetic in a
 * week, gut and nylon in about two [handbook 4: bowed strings drift for days, harp strings for a week or two].
 */
const CORE_CREEP: Readonly<Record<Core, Creep>> = {
  steel: { cents: 200, days: 1 },
  synthetic: { cents: 400, days: 2 },
  gut: { cents: 500, days: 4 },
  nylon: { cents: 900, days: 3 },
  carbon: { cents: 500, days: 2 },
};
const PLAIN_STEEL: Creep = { cents: 150, days: 0.5 };

/** A drop within a day that nobody need mind, cents; and one after which it is worth tuning again. From memory: what is heard on a held note. */
export const SETTLED_CENTS = 3;
export const RETUNE_CENTS = 8;

/** The usual creep of a string. @param spec null: taken for a synthetic one */
export function usualCreep(spec: StringSpec | null): Creep {
  if (spec === null) return CORE_CREEP.synthetic;
  return spec.core === 'steel' && spec.winding === 'plain' ? PLAIN_STEEL : CORE_CREEP[spec.core];
}

/** How far it falls between two ages if nobody tunes it, cents, positive downwards. @param fromDays age in days */
export function dropBetween({ cents, days }: Creep, fromDays: number, toDays: number): number {
  return cents * (Math.exp(-fromDays / days) - Math.exp(-toDays / days));
}

/** Age at which a day's drop is no more than `SETTLED_CENTS`, days. */
export function settledAfterDays(creep: Creep): number {
  const perDay = creep.cents * (1 - Math.exp(-1 / creep.days));
  return perDay <= SETTLED_CENTS ? 0 : creep.days * Math.log(perDay / SETTLED_CENTS);
}

/** One tuning of a new string: when, and how far off it was found before it was put right; negative is flat. */
export interface Tuning {
  at: number;
  cents: number;
}

/** Spread of one finding, cents: hand and ear, and the room's temperature. From memory. */
const FOUND_SD = 6;
/** How far a player's own strings may be from the usual: sd of the logarithms of both constants. From memory. */
const CREEP_LOG_SD = 0.5;
const FACTORS = Array.from({ length: 33 }, (_, at) => Math.exp(((at - 16) / 16) * 1.6));

/**
 * The creep of this very string, from how far it was found off at each tuning: the likeliest of a grid about the usual one.
 * @param tunings in order of time; each put it right again, as the fitting did
 */
export function ownCreep(usual: Creep, fittedAt: number, tunings: readonly Tuning[]): Creep & { found: number } {
  const ages = [0, ...tunings.map(({ at }) => Math.max(0, at - fittedAt) / DAY_MS)];
  const prior = (factor: number) => 0.5 * (Math.log(factor) / CREEP_LOG_SD) ** 2;
  let best = { cents: usual.cents, days: usual.days };
  let least = Infinity;
  for (const size of FACTORS) {
    for (const pace of FACTORS) {
      const creep = { cents: usual.cents * size, days: usual.days * pace };
      const cost = tunings.reduce(
        (sum, { cents }, at) => {
          const expected = -dropBetween(creep, ages[at]!, ages[at + 1]!);
          // A large drop is guessed less exactly than a small one.
          const sd = FOUND_SD + 0.1 * Math.abs(expected);
          return sum + 0.5 * ((cents - expected) / sd) ** 2 + Math.log(sd);
        },
        prior(size) + prior(pace),
      );
      if (cost < least) {
        least = cost;
        best = creep;
      }
    }
  }
  return { ...best, found: tunings.length };
}

export interface SettlingPlan {
  creep: Creep & { found: number };
  /** When a day no longer matters, ms. */
  settledAt: number;
  settled: boolean;
  /** How far it has fallen since the last tuning by now, if this creep holds, cents. */
  fallenCents: number;
  /** When it will have fallen by `RETUNE_CENTS` each time, ms: the next first, until it is settled. */
  retunes: number[];
  /** Expected drop on each of the coming days if it is tuned at their beginning, cents, from today. */
  perDay: number[];
}

const MOST_RETUNES = 40;

/**
 * When a new string wants tuning, and when it will be settled.
 * @param fittedAt when it went on, ms
 * @param tunings its tunings since, in order of time
 */
export function settlingPlan(
  spec: StringSpec | null,
  fittedAt: number,
  tunings: readonly Tuning[],
  nowMs: number,
): SettlingPlan {
  const creep = ownCreep(usualCreep(spec), fittedAt, tunings);
  const settledAt = fittedAt + settledAfterDays(creep) * DAY_MS;
  const age = (atMs: number) => Math.max(0, atMs - fittedAt) / DAY_MS;
  const lastAt = tunings.at(-1)?.at ?? fittedAt;
  const retunes: number[] = [];
  // Fallen by so much since the tuning at age a: exp(−b/τ) = exp(−a/τ) − drop/C.
  let from = age(lastAt);
  while (nowMs < settledAt && retunes.length < MOST_RETUNES) {
    const left = Math.exp(-from / creep.days) - RETUNE_CENTS / creep.cents;
    if (left <= 0) break;
    from = -creep.days * Math.log(left);
    const at = fittedAt + from * DAY_MS;
    if (at > settledAt) break;
    retunes.push(Math.max(at, nowMs));
    if (at < nowMs) from = age(nowMs);
  }
  const perDay: number[] = [];
  for (let day = age(nowMs); day < age(settledAt) && perDay.length < 30; day++)
    perDay.push(dropBetween(creep, day, day + 1));
  return {
    creep,
    settledAt,
    settled: nowMs >= settledAt,
    fallenCents: dropBetween(creep, age(lastAt), age(nowMs)),
    retunes,
    perDay,
  };
}

/** Days that new strings of these make-ups take to settle, the slowest of them; whole days. */
export function settleDays(specs: readonly (StringSpec | null)[]): number {
  return Math.ceil(Math.max(0, ...specs.map((spec) => settledAfterDays(usualCreep(spec)))));
}
