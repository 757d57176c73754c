import { mean, quantile } from 'd3-array';
import type { AirHour } from '../air';
import type { Assessment } from '../assess';
import { FIGURE_DATA, isMeasured, type Figure } from '../instruments';
import {
  hoursInAll,
  type DoneWork,
  type Finding,
  type Fitting,
  type KnownMark,
  type Mark,
  type Measure,
  type Photographed,
  type Settled,
  type Trouble,
  type WorkshopStay,
} from '../log';
import { dateOfDay, localDay } from '../time';
import { stateOf, type ViewSeen } from '../views';

/** The air of one month about an instrument, fractions of relative humidity. */
export interface AirMonth {
  /** As in 2026-03. */
  month: string;
  meanRh: number;
  /** A twentieth of its hours was drier, a twentieth damper. */
  lowRh: number;
  highRh: number;
  hours: number;
}

/** The whole life of one instrument as it is on record, each list the newest first. */
export interface Passport {
  hours: number;
  sessions: number;
  /** The first and the last day on which it was played, ms; null: never. */
  played: { first: number; last: number } | null;
  figures: { figure: Figure; marks: readonly Measure[] }[];
  strings: Fitting[];
  rehairs: KnownMark[];
  checkups: KnownMark[];
  stays: WorkshopStay[];
  works: DoneWork[];
  /** What was found, and how it was settled; null: it is open, or was found good since. */
  findings: { finding: Finding; settled: (Mark & { how: Settled }) | null }[];
  troubles: Trouble[];
  knocks: Mark[];
  air: AirMonth[];
  /** Its state: each view, as it was photographed last. */
  views: ViewSeen[];
  /** Photographs besides, the newest first. */
  photos: Photographed[];
}

/** Hours of a month that tell what its air was. From memory: two days. */
const MONTH_TOLD_H = 48;

/** The air about an instrument month by month, the newest first; months of which little is known are left out. */
export function airByMonth(samples: readonly AirHour[], timeZone: string): AirMonth[] {
  const months = new Map<string, number[]>();
  for (const { at, rh } of samples) {
    const month = dateOfDay(localDay(at, timeZone)).slice(0, 7);
    const known = months.get(month);
    if (known) known.push(rh);
    else months.set(month, [rh]);
  }
  return [...months]
    .filter(([, rhs]) => rhs.length >= MONTH_TOLD_H)
    .map(([month, rhs]) => ({
      month,
      meanRh: mean(rhs)!,
      lowRh: quantile(rhs, 0.05)!,
      highRh: quantile(rhs, 0.95)!,
      hours: rhs.length,
    }))
    .sort((a, b) => (a.month < b.month ? 1 : -1));
}

const newestFirst = <M extends Mark>(marks: readonly M[]): M[] => [...marks].reverse();

/**
 * The whole life of an instrument, from its log [handbook 11].
 * @param samples the air about it, in order of time; none where nobody measured
 */
export function passportOf(assessment: Assessment, samples: readonly AirHour[]): Passport {
  const { log, facts, bows } = assessment;
  const settledBy = new Map(log.settlements.map((each) => [each.findingId, each]));
  const views = stateOf(assessment);
  const shown = new Set(views.map(({ seen }) => seen?.eventId));
  const [first, last] = [log.sessions[0], log.sessions.at(-1)];
  const marksOf = (figure: Figure) =>
    newestFirst(
      (figure.startsWith('bow-') ? (bows[0]?.log ?? log) : log).measures.filter((each) => each.figure === figure),
    );
  return {
    hours: hoursInAll(log),
    sessions: log.sessions.length,
    played: first && last ? { first: first.beganAt, last: last.beganAt } : null,
    figures: (Object.keys(FIGURE_DATA) as Figure[]).flatMap((figure) => {
      const marks = isMeasured(figure, facts.family) ? marksOf(figure) : [];
      return marks.length > 0 ? [{ figure, marks }] : [];
    }),
    strings: newestFirst(log.fittings),
    rehairs: newestFirst((bows[0]?.log ?? log).rehairs),
    checkups: newestFirst(log.checkups),
    stays: newestFirst(log.stays),
    works: newestFirst(log.doneWorks),
    findings: newestFirst(log.findings)
      .filter(({ verdict }) => verdict !== 'good')
      .map((finding) => ({ finding, settled: settledBy.get(finding.eventId) ?? null })),
    troubles: newestFirst(log.troubles),
    knocks: newestFirst(log.knocks),
    air: airByMonth(samples, log.timeZone),
    views,
    photos: newestFirst(log.photos).filter(({ eventId }) => !shown.has(eventId)),
  };
}
