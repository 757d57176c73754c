import { z } from 'zod';
import type { InstrumentFacts } from '../instruments';
import type { Doer, InstrumentLog } from '../log';
import type { Schools } from '../schools';
import { settleDays } from '../strings';
import { chanceSpent, type Condition, type Thread, type Window } from '../upkeep';

/** Upkeep that is planned by dates. */
export const YEAR_PARTS = ['strings', 'hair', 'checkup'] as const;
export type YearPart = (typeof YEAR_PARTS)[number];

/** A date the player set for a piece of upkeep; it holds for the life that began at `lifeFrom`. */
export const appointmentSchema = z.strictObject({
  instrumentId: z.uuid().toLowerCase(),
  part: z.enum(YEAR_PARTS),
  date: z.iso.date('Write the date as year-month-day, like 2026-03-14.'),
  /** Beginning of the life it is about, ms since 1970. */
  lifeFrom: z.number().int(),
  /** Who does it this time; null: as usual. */
  by: z.enum(['self', 'teacher', 'workshop']).nullable(),
});
export type Appointment = z.infer<typeof appointmentSchema>;

/** A piece of upkeep that comes due. */
export interface DueItem {
  instrumentId: string;
  part: YearPart;
  who: Doer;
  /** Beginning of its life, ms. */
  from: number;
  window: Window;
  state: Thread['state'];
  /** Days it takes to settle, and days before a performance in which it is left alone. */
  settles: number;
  keepsClear: number;
  /** Chance that it is spent by an instant: what putting it off costs. */
  spentBy: (atMs: number) => number;
}

/** Days new hair takes until it plays as it should: rosin worked in, and stretched once. From memory. */
const HAIR_SETTLES = 4;
/** Days more that the cautious school leaves before a performance. From memory. */
const CAUTION_DAYS = 3;

/** The chance at an instant by a window alone, along straight lines through its 10, 50 and 90 % points. */
function chanceIn({ early, middle, late }: Window, atMs: number): number {
  const points: readonly (readonly [number, number])[] = [
    [early - (middle - early), 0],
    [early, 0.1],
    [middle, 0.5],
    [late, 0.9],
    [late + (late - middle), 1],
  ];
  const after = points.findIndex(([at]) => at >= atMs);
  if (after === 0) return 0;
  if (after < 0) return 1;
  const [fromAt, from] = points[after - 1]!;
  const [toAt, to] = points[after]!;
  return from + ((to - from) * (atMs - fromAt)) / Math.max(1, toAt - fromAt);
}

/** Who changes this instrument's strings: as the last time; a child's teacher; otherwise the player. */
function stringsDoer(facts: InstrumentFacts, log: Pick<InstrumentLog, 'fittings'>): Doer {
  return (
    log.fittings.findLast(({ by }) => by !== undefined)?.by ?? (facts.setUp.player === 'child' ? 'teacher' : 'self')
  );
}

/** What comes due on one instrument, with what putting each off costs. */
export function dueItems(
  instrument: InstrumentFacts & { id: string },
  log: InstrumentLog,
  { threads, pace }: Pick<Condition, 'threads' | 'pace'>,
  schools: Pick<Schools, 'beforePlaying'>,
): DueItem[] {
  const caution = schools.beforePlaying === 'A' ? CAUTION_DAYS : 0;
  return threads.flatMap((thread): DueItem[] => {
    const { window, from, state } = thread;
    if (window === null || from === null) return [];
    const common = { instrumentId: instrument.id, from, window, state };
    switch (thread.part) {
      case 'strings': {
        const settles = settleDays(
          thread.on.filter(({ position }) => thread.oldest.includes(position)).map(({ spec }) => spec),
        );
        const { clock } = thread;
        return [
          {
            ...common,
            part: 'strings',
            who: stringsDoer(instrument, log),
            settles,
            keepsClear: settles + caution,
            spentBy: (atMs) => (clock ? chanceSpent(clock.life, log, pace, from, atMs) : chanceIn(window, atMs)),
          },
        ];
      }
      case 'hair': {
        const { clock } = thread;
        return [
          {
            ...common,
            part: 'hair',
            who: 'workshop',
            settles: HAIR_SETTLES,
            keepsClear: HAIR_SETTLES + caution,
            spentBy: (atMs) =>
              clock ? chanceSpent(clock.life, log, pace, from, atMs, clock.extraWear) : chanceIn(window, atMs),
          },
        ];
      }
      case 'checkup':
        return [
          {
            ...common,
            part: 'checkup',
            who: 'workshop',
            settles: 0,
            keepsClear: caution,
            spentBy: (atMs) => chanceIn(window, atMs),
          },
        ];
      default:
        return [];
    }
  });
}
