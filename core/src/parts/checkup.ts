import { tz, TZDate } from '@date-fns/tz';
import { addMonths } from 'date-fns/addMonths';
import { residueOf, workshopZones, type ZoneResidue } from '../care';
import { adviceOn, byGravity, forWorkshop, openFindings } from '../inspection';
import { decisive, type Finding } from '../log';
import { CHECKUP_MONTHS } from '../schools';
import { DAY_MS } from '../time';
import type { Window } from '../wear';
import type { PartContext, PartRecord } from './part';
import { asFarAsKnown, stateIn, type InstrumentAir, type ThreadBase } from './thread';

export interface CheckupThread extends ThreadBase {
  part: 'checkup';
  months: number;
  /** Zones whose residue has caked: work for the next visit. */
  caked: ZoneResidue[];
  /** What was found that is the workshop's business, the worst first; hair is not among it. */
  found: Finding[];
  /** It is due because of what was found, not by the calendar. */
  pressed: boolean;
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

/** Days within which a visit follows what was found: 10, 50 and 90 % points. From memory: soon is a week or two. */
const FOLLOWS = { danger: [0, 1, 4], soon: [1, 7, 21] } as const;

/** When what was found sends it to the workshop; null where a visit as planned will do, or the air comes first. */
function pressing(found: readonly Finding[], air: InstrumentAir | null): Window | null {
  const windows = found.flatMap((finding): Window[] => {
    const { when, airFirst } = adviceOn(finding, air);
    if (airFirst || (when !== 'danger' && when !== 'soon')) return [];
    const [early, middle, late] = FOLLOWS[when].map((days) => finding.at + days * DAY_MS) as [number, number, number];
    return [{ early, middle, late }];
  });
  return windows.sort((a, b) => a.middle - b.middle)[0] ?? null;
}

/** The luthier's look: by the calendar, best at the turn of the heating season; at once where something was found that cannot wait. */
export function checkupThread({ facts, log, schools, air }: PartContext): CheckupThread {
  const months = CHECKUP_MONTHS[schools.checkup];
  const last = decisive(log.checkups);
  const caked = workshopZones(facts, schools, residueOf(facts, log));
  const found = byGravity(
    forWorkshop(openFindings(log, facts.stringCount)).filter(({ look }) => !look.startsWith('hair-')),
  );
  const press = pressing(found, air);
  const waits = caked.length > 0 || found.some(({ verdict }) => verdict === 'act');
  const common = { part: 'checkup' as const, months, caked, found, pressed: press !== null };
  if (!last) {
    return {
      ...common,
      state: press ? stateIn(press, log.nowMs, 0) : waits ? 'soon' : 'unknown',
      from: press && Math.min(...found.map(({ at }) => at)),
      window: press,
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
  const ruled = { ...rule, middle: turn?.at ?? rule.middle };
  if (press && press.middle < ruled.middle) {
    const state = stateIn(press, log.nowMs, 0) === 'now' ? 'now' : 'soon';
    return { ...common, state, from: last.at, window: press, dateMissing: !last.known, turn: null };
  }
  const told = asFarAsKnown({ state: stateIn(ruled, log.nowMs, 0), window: ruled }, last.known);
  const state = told.state !== 'now' && waits ? 'soon' : told.state;
  const isTurned = turn?.turn ?? null;
  return { ...common, ...told, state, from: last.at, dateMissing: !last.known, turn: isTurned, pressed: false };
}

/** The visit to the luthier. */
export const checkupPart = {
  has: () => true,
  events: ['checked-up', 'looked-at', 'finding-settled'],
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
