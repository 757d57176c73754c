import * as z from 'zod';
import { dateSchema, dayOfDate, localDay, startOfLocalDay, type LocalDay } from '../time';

/** What a player's year is made of besides upkeep. */
export const OCCASIONS = ['performance', 'exam', 'lesson', 'holiday'] as const;
export type OccasionKind = (typeof OCCASIONS)[number];

/** Most spans one recurring occasion may have, and most days one may last. */
export const MOST_SPANS = 400;

export const occasionSchema = z.strictObject({
  title: z.string('Give it a name.').trim().min(1, 'Give it a name.').max(120, 'A name has at most 120 characters.'),
  kind: z.enum(OCCASIONS),
  /** The instrument it is played on; null: any. */
  instrumentId: z.uuid().toLowerCase().nullable(),
  /** First and last calendar day of each time it takes place, in order. */
  spans: z
    .array(
      z
        .strictObject({ from: dateSchema, to: dateSchema })
        .refine(({ from, to }) => to >= from, { path: ['to'], error: 'It ends before it begins. Check both dates.' }),
    )
    .min(1, 'Say when it is.')
    .max(MOST_SPANS, `At most ${MOST_SPANS} dates.`),
  /** Where it came from another calendar: its name there, so that it is not taken in twice. */
  source: z.string().max(255).nullable(),
});
export type Occasion = z.infer<typeof occasionSchema>;

/** One time an occasion takes place. */
export interface OccasionSpan {
  title: string;
  kind: OccasionKind;
  instrumentId: string | null;
  from: LocalDay;
  to: LocalDay;
}

/** Every time occasions take place from one day to another, in order. */
export function spansBetween(occasions: readonly Occasion[], from: LocalDay, to: LocalDay): OccasionSpan[] {
  return occasions
    .flatMap(({ title, kind, instrumentId, spans }) =>
      spans.map((span) => ({ title, kind, instrumentId, from: dayOfDate(span.from), to: dayOfDate(span.to) })),
    )
    .filter((span) => span.to >= from && span.from <= to)
    .sort((a, b) => a.from - b.from || a.to - b.to);
}

/** Whether an occasion wants an instrument to hold its pitch: it is played before others. */
export function isPlayedBefore({ kind }: { kind: OccasionKind }): boolean {
  return kind === 'performance' || kind === 'exam';
}

/** The next time an instrument is played before others, from today on; null when none is known. */
export function nextPerformance(
  occasions: readonly Occasion[],
  instrumentId: string,
  nowMs: number,
  timeZone: string,
): (OccasionSpan & { inDays: number; atMs: number }) | null {
  const today = localDay(nowMs, timeZone);
  const span = spansBetween(occasions, today, today + 3 * 366).find(
    (each) => isPlayedBefore(each) && (each.instrumentId === null || each.instrumentId === instrumentId),
  );
  return span ? { ...span, inDays: Math.max(0, span.from - today), atMs: startOfLocalDay(span.from, timeZone) } : null;
}

/** Farthest ahead that days away are reckoned with, days. */
const AWAY_HORIZON_DAYS = 2 * 366;

/** Holidays from today on in which an instrument is not played, ms, from the first day's midnight to the last one's. */
export function daysAway(
  occasions: readonly Occasion[],
  instrumentId: string,
  { nowMs, timeZone }: { nowMs: number; timeZone: string },
): { from: number; to: number }[] {
  const today = localDay(nowMs, timeZone);
  return spansBetween(occasions, today, today + AWAY_HORIZON_DAYS)
    .filter((span) => span.kind === 'holiday' && (span.instrumentId === null || span.instrumentId === instrumentId))
    .map(({ from, to }) => ({ from: startOfLocalDay(from, timeZone), to: startOfLocalDay(to + 1, timeZone) }));
}
