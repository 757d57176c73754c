import type { InstrumentFacts } from '../instruments';
import { laggedMoisture } from './moisture';
import { columnsOf, type AirHour } from './record';
import type { StayAir } from './stays';
import { lagMs, woodParts, type WoodPart } from './wood';

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
  facts: Pick<InstrumentFacts, 'family' | 'kind' | 'size'>,
  air: readonly StayAir[],
  nowMs: number,
): WoodLine[] {
  return woodParts(facts).map((part) => {
    const at: number[] = [];
    const moisture: number[] = [];
    for (const { stay, samples, holdMs } of air) {
      const first = samples[0];
      if (!first) continue;
      const upTo = upToEnd(samples, Math.min(stay.to, nowMs));
      const line = laggedMoisture(columnsOf(upTo), lagMs(part, stay.cased), holdMs, moisture.at(-1));
      for (const [index, value] of line.entries()) {
        at.push(upTo[index]!.at);
        moisture.push(value);
      }
    }
    const cased = air.at(-1)?.stay.cased ?? false;
    return { part, at: Float64Array.from(at), moisture: Float64Array.from(moisture), tauMs: lagMs(part, cased) };
  });
}

/** Carries the last sample on to the end of a stay. */
function upToEnd(samples: readonly AirHour[], endMs: number): AirHour[] {
  const last = samples.at(-1)!;
  return last.at < endMs ? [...samples, { ...last, at: endMs }] : [...samples];
}
