import { residueOf, SETTLING_DAYS, type ZoneResidue } from '../care';
import { DAY_MS } from '../time';
import type { PartContext, PartRecord } from './part';
import type { ThreadBase } from './thread';

export interface ResidueThread extends ThreadBase {
  part: 'residue';
  zones: ZoneResidue[];
  /** The zone unwiped longest; null when all are clean. */
  worst: ZoneResidue | null;
}

/** Residue is due the evening it was made: fresh until it settles. */
const WIPE_WITHIN_DAYS = 1;

/** What lies where it was not wiped. */
export function residueThread({ facts, log }: Pick<PartContext, 'facts' | 'log'>): ResidueThread {
  const zones = residueOf(facts, log);
  const dirty = zones.filter((zone) => zone.since !== null);
  const worst = dirty.reduce<ZoneResidue | null>((a, b) => (a && a.since! <= b.since! ? a : b), null);
  if (!worst) {
    const wipes = zones.flatMap(({ wipedAt }) => wipedAt ?? []);
    return {
      part: 'residue',
      state: 'well',
      from: wipes.length > 0 ? Math.max(...wipes) : null,
      window: null,
      dateMissing: false,
      zones,
      worst,
    };
  }
  const since = worst.since!;
  const window = {
    early: since,
    middle: since + WIPE_WITHIN_DAYS * DAY_MS,
    late: since + SETTLING_DAYS * DAY_MS,
  };
  const playing = log.running !== null && since >= log.running.beganAt;
  const state = playing ? 'well' : log.nowMs >= window.middle ? 'now' : 'soon';
  return { part: 'residue', state, from: worst.wipedAt ?? since, window, dateMissing: false, zones, worst };
}

/** What playing leaves on wood and strings. */
export const residuePart = {
  job: 'residue',
  has: () => true,
  events: ['step-done'],
  thread: residueThread,
  due: null,
  begun: null,
  askedAtFirst: false,
} as const satisfies PartRecord<'residue', ResidueThread>;
