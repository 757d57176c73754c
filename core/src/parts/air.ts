import type { AirVerdict } from '../air';
import type { PartContext, PartRecord } from './part';
import type { ThreadBase } from './thread';

export interface AirThread extends ThreadBase {
  part: 'air';
  verdict: AirVerdict;
}

const AIR_STATES = { fine: 'well', watch: 'soon', act: 'now', unknown: 'unknown' } as const;
/** Reasons for which there is nothing to draw. */
const UNTOLD: ReadonlySet<AirVerdict['why']> = new Set(['no-place', 'place-unknown', 'no-readings']);
/** How far the instant at which the wood reaches a limit is uncertain, as shares of the time until then. From memory. */
const LIMIT_SPREAD = { early: 0.7, late: 1.5 } as const;

/** The wood's way to the edge of its band; null where the instrument has no place whose air is read. */
export function airThread({ log, air }: Pick<PartContext, 'log' | 'air'>): AirThread | null {
  if (!air || UNTOLD.has(air.verdict.why)) return null;
  const { verdict, samples } = air;
  const goal = verdict.limitAt;
  const at = (share: number) => log.nowMs + share * (goal! - log.nowMs);
  return {
    part: 'air',
    state: AIR_STATES[verdict.state],
    from: Math.max(samples[0]?.at ?? log.nowMs, log.moves.at(-1)?.at ?? 0),
    window: goal === null ? null : { early: at(LIMIT_SPREAD.early), middle: goal, late: at(LIMIT_SPREAD.late) },
    dateMissing: false,
    verdict,
  };
}

/** The air round its wood. */
export const airPart = {
  has: () => true,
  events: ['moved'],
  thread: airThread,
  due: null,
  begun: null,
  askedAtFirst: false,
} as const satisfies PartRecord<'air', AirThread>;
