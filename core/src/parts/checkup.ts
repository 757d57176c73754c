import { tz, TZDate } from '@date-fns/tz';
import { addMonths } from 'date-fns/addMonths';
import { residueOf, workshopZones, type ZoneResidue } from '../care';
import { decisive } from '../log';
import { CHECKUP_MONTHS } from '../schools';
import type { Window } from '../wear';
import type { PartContext, PartRecord } from './part';
import { asFarAsKnown, stateIn, type InstrumentAir, type ThreadBase } from './thread';

export interface CheckupThread extends ThreadBase {
  part: 'checkup';
  months: number;
  /** Zones whose residue has caked: work for the next visit. */
  caked: ZoneResidue[];
  /** The rule's month was moved to the turn of the heating season. */
  turn: 'start' | 'end' | null;
}

/** A checkup is a visit to arrange: its window reaches a month to either side. From memory. */
const CHECKUP_SLACK_MONTHS = 1;

/** The turn of the heating season within a window, ms: when the heating comes on, or has just gone off; null when neither falls into it. */
function heatingTurn({ early, late }: Window, heating: InstrumentAir['heating'], timeZone: string) {
  if (!heating) return null;
  const first = (month: number, year: number) => new TZDate(year, month - 1, 1, timeZone).getTime();
  const years = [early, late].map((at) => new TZDate(at, timeZone).getFullYear());
  const turns = [...new Set(years)].flatMap((year) => [
    { turn: 'start' as const, at: first(heating.from, year) },
    { turn: 'end' as const, at: first(heating.to + 1, year) },
  ]);
  return turns.find(({ at }) => at >= early && at <= late) ?? null;
}

/** The luthier's look: by the calendar, best at the turn of the heating season. */
export function checkupThread({ facts, log, schools, air }: PartContext): CheckupThread {
  const months = CHECKUP_MONTHS[schools.checkup];
  const last = decisive(log.checkups);
  const caked = workshopZones(facts, schools, residueOf(facts, log));
  const common = { part: 'checkup' as const, months, caked };
  if (!last) {
    return {
      ...common,
      state: caked.length > 0 ? 'soon' : 'unknown',
      from: null,
      window: null,
      dateMissing: true,
      turn: null,
    };
  }
  const after = (count: number) => addMonths(last.at, count, { in: tz(log.timeZone) }).getTime();
  const rule = {
    early: after(months - CHECKUP_SLACK_MONTHS),
    middle: after(months),
    late: after(months + CHECKUP_SLACK_MONTHS),
  };
  const turn = heatingTurn(rule, air?.heating ?? null, log.timeZone);
  const window = { ...rule, middle: turn?.at ?? rule.middle };
  const told = asFarAsKnown({ state: stateIn(window, log.nowMs, 0), window }, last.known);
  const state = told.state !== 'now' && caked.length > 0 ? 'soon' : told.state;
  return { ...common, ...told, state, from: last.at, dateMissing: !last.known, turn: turn?.turn ?? null };
}

/** The visit to the luthier. */
export const checkupPart = {
  name: 'Checkup',
  onBow: false,
  has: () => true,
  events: ['checked-up'],
  thread: checkupThread,
  due: {
    title: 'Checkup',
    free: false,
    doer: () => 'workshop',
    settles: () => 0,
    outlook: ({ window }) => window && { kind: 'window', window },
  },
  begun: (known) => ({ type: 'checked-up', payload: { known } }),
  askedAtFirst: true,
} as const satisfies PartRecord<'checkup', CheckupThread>;
