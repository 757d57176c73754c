import { airToll, type AirToll } from '../air';
import { hoursBetween, type InstrumentLog } from '../log';
import { DAY_MS } from '../time';
import { chanceSpent, hoursBefore, wornAt, type Life, type Outlook, type Pace, type Worn } from '../wear';
import type { PartContext } from './part';
import type { InstrumentAir } from './thread';

/** Figures every two-clock part shows. */
export interface TwoClock {
  life: Life;
  /** Hours on record, and hours before the log began, as reckoned. */
  hoursPlayed: number;
  hoursBefore: number;
  daysOn: number;
  wear: number;
  worn: Worn;
  /** Part of the wear that comes from neither playing nor age: hair that stood tight. */
  extraWear: number;
  /** Chance that it is spent by now. */
  chance: number;
  /** By how much faster its days counted for the air it was in; null where the air is not known. */
  toll: (AirToll & { factor: number }) | null;
}

/** By how much faster days counted from one instant to another; null where the air is not known. */
export function tollOn(
  part: 'strings' | 'hair',
  air: InstrumentAir | null,
  fromMs: number,
  toMs: number,
): TwoClock['toll'] {
  const toll = air && airToll(air.samples, fromMs, toMs);
  return toll && { ...toll, factor: toll[part] };
}

/** A life in the air it is led in: days in damp or dry air count for more. */
export function airedLife(life: Life, toll: TwoClock['toll']): Life {
  return { ...life, days: life.days / (toll?.factor ?? 1) };
}

/** The figures of a part on two clocks, at the moment the log is judged. */
export function twoClock(
  { life, toll }: Pick<TwoClock, 'life' | 'toll'>,
  log: InstrumentLog,
  pace: Pace,
  fittedAt: number,
  extraWear = 0,
): TwoClock {
  const { told, reckoned } = wornAt(life, log.playing, pace.before, fittedAt, log.nowMs);
  return {
    life,
    toll,
    hoursPlayed: hoursBetween(log.playing, fittedAt, log.nowMs),
    hoursBefore: hoursBefore(pace.before, fittedAt, log.nowMs),
    daysOn: Math.max(0, log.nowMs - fittedAt) / DAY_MS,
    worn: { told: told + extraWear, reckoned },
    wear: told + extraWear + reckoned,
    extraWear,
    chance: chanceSpent(life, log, pace, fittedAt, extraWear)(log.nowMs),
  };
}

/** A life that was looked at and found still good since it began: it lasts at least so long. @param looks when, ms, in order */
export function provenLife(
  life: Life,
  looks: readonly { at: number }[],
  log: InstrumentLog,
  pace: Pace,
  fittedAt: number,
  extraWear = 0,
): Life {
  const last = looks.findLast(({ at }) => at > fittedAt && at <= log.nowMs);
  if (!last) return life;
  const { told, reckoned } = wornAt(life, log.playing, pace.before, fittedAt, last.at);
  return { ...life, proven: { told: told + extraWear, reckoned } };
}

/** How the chance that a part on two clocks is spent goes on; null where nobody said when it began. */
export function clockOutlook(clock: TwoClock | null, { log, pace }: Pick<PartContext, 'log' | 'pace'>): Outlook | null {
  if (!clock) return null;
  const { life, worn } = clock;
  return { kind: 'two-clocks', life, pace, nowMs: log.nowMs, worn, timeZone: log.timeZone };
}
