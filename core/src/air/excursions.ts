import { HOUR_MS } from '../time';
import { outside, type Band, type OutSide } from './bands';
import type { AirHour } from './record';

export interface Excursion {
  from: number;
  /** End of its last reading; for one still going on, the end of what is known. */
  to: number;
  ongoing: boolean;
  side: OutSide;
  /** The reading farthest outside, fraction. */
  worst: number;
  /** brief: harmless by itself; sustained: the time to act; worsening: sustained, and going farther out. */
  kind: 'brief' | 'sustained' | 'worsening';
}

/** From when on being outside is called sustained, and for how short a return it goes on. From memory: plates follow in one to three days. */
export const SUSTAINED_H = 72;
const RETURN_H = 6;
/** Last third farther out than the first by so much: worsening. */
const WORSENING = 0.02;

/**
 * Stretches of time in which air lay outside a band.
 * @param samples rising in time; each holds until the next, at most `holdMs`
 */
export function excursions(samples: readonly AirHour[], band: Band, holdMs: number): Excursion[] {
  interface Open {
    from: number;
    to: number;
    side: OutSide;
    depths: number[];
    worst: number;
  }
  const found: Excursion[] = [];
  let open = null as Open | null;
  const close = (ongoing: boolean) => {
    if (!open) return;
    const { from, to, side, worst, depths } = open;
    const third = Math.max(1, Math.floor(depths.length / 3));
    const mean = (list: number[]) => list.reduce((sum, depth) => sum + depth, 0) / list.length;
    const deeper = mean(depths.slice(-third)) - mean(depths.slice(0, third));
    const sustained = to - from >= SUSTAINED_H * HOUR_MS;
    const kind = !sustained ? 'brief' : deeper > WORSENING ? 'worsening' : 'sustained';
    found.push({ from, to, ongoing, side, worst, kind });
    open = null;
  };
  for (const [index, { at, rh }] of samples.entries()) {
    const until = Math.min(samples[index + 1]?.at ?? at + HOUR_MS, at + holdMs);
    const side = outside(rh, band);
    if (open && (at - open.to > RETURN_H * HOUR_MS || (side !== null && side !== open.side))) close(false);
    if (side === null) continue;
    const depth = side === 'dry' ? band.low - rh : rh - band.high;
    open ??= { from: at, to: until, side, depths: [], worst: rh };
    open.to = until;
    open.depths.push(depth);
    open.worst = side === 'dry' ? Math.min(open.worst, rh) : Math.max(open.worst, rh);
  }
  const last = samples.at(-1);
  close(last !== undefined && outside(last.rh, band) !== null);
  return found;
}
