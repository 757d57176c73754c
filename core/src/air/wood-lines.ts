import type { InstrumentFacts, WoodPart } from '../instruments';
import { laggedMoisture } from './moisture';
import { columnsOf, type AirHour } from './record';
import type { StayAir } from './stays';
import { lagMs, woodParts } from './wood';

/** A part's moisture over time, as columns. */
export interface WoodLine {
  part: WoodPart;
  at: Float64Array;
  moisture: Float64Array;
  /** Time constant it has now, ms. */
  tauMs: number;
}

/**
 * The lagged moisture of each part of an instrument through all its stays, up to a moment.
 * Where nothing was read, the wood is taken to stay as it was.
 * @returns one line a part; empty columns when nothing was ever read
 */
export function woodLines(
  facts: Pick<InstrumentFacts, 'family' | 'kind' | 'size' | 'setUp'>,
  air: readonly StayAir[],
  nowMs: number,
): WoodLine[] {
  const stays = air.flatMap(({ stay, samples, holdMs }) =>
    samples.length === 0
      ? []
      : [{ cased: stay.cased, holdMs, columns: columnsOf(upToEnd(samples, Math.min(stay.to, nowMs))) }],
  );
  const length = stays.reduce((sum, { columns }) => sum + columns.at.length, 0);
  const at = new Float64Array(length);
  for (let index = 0, offset = 0; index < stays.length; index++) {
    const { columns } = stays[index]!;
    at.set(columns.at, offset);
    offset += columns.at.length;
  }
  const cased = air.at(-1)?.stay.cased ?? false;
  return woodParts(facts).map((part) => {
    const moisture = new Float64Array(length);
    let offset = 0;
    for (const { cased: inCase, holdMs, columns } of stays) {
      const before = offset === 0 ? undefined : moisture[offset - 1];
      moisture.set(laggedMoisture(columns, lagMs(part, inCase), holdMs, before), offset);
      offset += columns.at.length;
    }
    return { part, at, moisture, tauMs: lagMs(part, cased) };
  });
}

/** Carries the last sample on to the end of a stay. */
function upToEnd(samples: readonly AirHour[], endMs: number): readonly AirHour[] {
  const last = samples.at(-1)!;
  return last.at < endMs ? [...samples, { ...last, at: endMs }] : samples;
}
