import { airToll, type AirToll } from '../../air';
import { hoursBetween, type InstrumentLog } from '../../log';
import { DAY_MS } from '../../time';
import { chanceSpent } from '../forecast';
import type { Pace } from '../pace';
import { wearAt, type Life } from '../wear';
import type { InstrumentAir } from './thread';

/** Figures every two-clock part shows. */
export interface TwoClock {
  life: Life;
  hoursPlayed: number;
  daysOn: number;
  wear: number;
  /** Part of the wear that comes from neither playing nor age: hair that stood tight. */
  extraWear: number;
  /** Chance that it is spent by now. */
  chance: number;
  /** By how much faster its days counted for the air it was in; null where the air is not known. */
  toll: (AirToll & { factor: number }) | null;
}

/** A life in the air it is led in: days in damp or dry air count for more. */
export function airedLife(
  life: Life,
  part: 'strings' | 'hair',
  air: InstrumentAir | null,
  log: InstrumentLog,
  fittedAt: number,
) {
  const toll = air && airToll(air.samples, fittedAt, log.nowMs);
  const factor = toll ? toll[part] : 1;
  return { life: { ...life, days: life.days / factor }, toll: toll && { ...toll, factor } };
}

/** The figures of a part on two clocks, at the moment the log is judged. */
export function twoClock(
  { life, toll }: Pick<TwoClock, 'life' | 'toll'>,
  log: InstrumentLog,
  pace: Pace,
  fittedAt: number,
  extraWear = 0,
): TwoClock {
  return {
    life,
    toll,
    hoursPlayed: hoursBetween(log.playing, fittedAt, log.nowMs),
    daysOn: Math.max(0, log.nowMs - fittedAt) / DAY_MS,
    wear: wearAt(life, log.playing, fittedAt, log.nowMs) + extraWear,
    extraWear,
    chance: chanceSpent(life, log, pace, fittedAt, log.nowMs, extraWear),
  };
}
