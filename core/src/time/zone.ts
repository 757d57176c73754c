import { tzOffset } from '@date-fns/tz';
import { DAY_MS, MINUTE_MS } from './units';

/** A calendar day in a place: whole days since 1 January 1970 as that place's wall calendar counts them. */
export type LocalDay = number;

const STEP_MS = 7 * DAY_MS;

/** What is known of a zone's clocks: asking the runtime takes as long as adding up a hundred sessions. */
interface Clocks {
  /** Offset from UTC in ms at the start of each week. No place changes its clocks twice within a week. */
  readonly offsets: Map<number, number>;
  /** In weeks at whose ends it differs, the first instant of the later one, to the minute. */
  readonly changes: Map<number, number>;
}
const known = new Map<string, Clocks>();

function clocksOf(timeZone: string): Clocks {
  let clocks = known.get(timeZone);
  if (!clocks) known.set(timeZone, (clocks = { offsets: new Map(), changes: new Map() }));
  return clocks;
}

function rawOffsetMs(instantMs: number, timeZone: string): number {
  return Math.round(tzOffset(timeZone, new Date(instantMs)) * MINUTE_MS);
}

function weekOffsetMs({ offsets }: Clocks, week: number, timeZone: string): number {
  let offset = offsets.get(week);
  if (offset === undefined) offsets.set(week, (offset = rawOffsetMs(week * STEP_MS, timeZone)));
  return offset;
}

/** When the clocks change within a week from one offset to another, ms: halved down to the minute. */
function changeIn({ changes }: Clocks, week: number, before: number, timeZone: string): number {
  let change = changes.get(week);
  if (change === undefined) {
    let [from, to] = [week * STEP_MS, (week + 1) * STEP_MS];
    while (to - from > MINUTE_MS) {
      const middle = from + Math.floor((to - from) / MINUTE_MS / 2) * MINUTE_MS;
      if (rawOffsetMs(middle, timeZone) === before) from = middle;
      else to = middle;
    }
    changes.set(week, (change = to));
  }
  return change;
}

/** What a runtime was found to know of a zone's clocks, in plain figures: offsets and changes by their weeks. */
export interface KnownClocks {
  timeZone: string;
  offsets: [week: number, ms: number][];
  changes: [week: number, ms: number][];
}

/**
 * What is known of a zone's clocks by now and for the two weeks from an instant on, each asked of the runtime anew: to be kept, and taken
 * where asking takes long.
 * @param nowMs ms since 1970-01-01T00:00Z
 * @param timeZone IANA name
 */
export function clocksAnew(nowMs: number, timeZone: string): KnownClocks {
  const before = clocksOf(timeZone);
  known.delete(timeZone);
  const clocks = clocksOf(timeZone);
  const week = Math.floor(nowMs / STEP_MS);
  for (const each of [...before.offsets.keys(), week, week + 1, week + 2, week + 3])
    weekOffsetMs(clocks, each, timeZone);
  for (const each of before.changes.keys()) changeIn(clocks, each, weekOffsetMs(clocks, each, timeZone), timeZone);
  return { timeZone, offsets: [...clocks.offsets], changes: [...clocks.changes] };
}

/** Takes a zone's clocks as they were known before, in place of all that is known of it; the runtime is asked for nothing of them. */
export function takeClocks({ timeZone, offsets, changes }: KnownClocks): void {
  known.set(timeZone, { offsets: new Map(offsets), changes: new Map(changes) });
}

/**
 * Whether the runtime knows an IANA time zone.
 * @param timeZone such as "Europe/Lisbon" or "UTC"
 * @example isTimeZone('Europe/Lisbon') // true
 */
export function isTimeZone(timeZone: string): boolean {
  // An offset is no place: its clocks would never change.
  if (!/^[A-Za-z][\w+/-]*$/.test(timeZone)) return false;
  try {
    return new Intl.DateTimeFormat('en', { timeZone }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}

/**
 * Offset of a place's wall clock from UTC.
 * @param instantMs ms since 1970-01-01T00:00Z
 * @param timeZone IANA name
 * @returns ms, positive east of Greenwich
 * @example offsetMs(Date.UTC(2026, 5, 1), 'Europe/Lisbon') / HOUR_MS // 1
 */
export function offsetMs(instantMs: number, timeZone: string): number {
  const week = Math.floor(instantMs / STEP_MS);
  const clocks = clocksOf(timeZone);
  const before = weekOffsetMs(clocks, week, timeZone);
  const after = weekOffsetMs(clocks, week + 1, timeZone);
  return before === after || instantMs < changeIn(clocks, week, before, timeZone) ? before : after;
}

/**
 * The calendar day an instant falls on in a place.
 * @param instantMs ms since 1970-01-01T00:00Z
 * @param timeZone IANA name
 * @example localDay(Date.UTC(2026, 5, 1, 23, 30), 'Europe/Lisbon') - localDay(Date.UTC(2026, 5, 1, 22, 30), 'Europe/Lisbon') // 1
 */
export function localDay(instantMs: number, timeZone: string): LocalDay {
  return Math.floor((instantMs + offsetMs(instantMs, timeZone)) / DAY_MS);
}

/**
 * The first instant of a calendar day in a place; where the clocks skip midnight, the first instant that exists.
 * @returns ms since 1970-01-01T00:00Z
 */
export function startOfLocalDay(day: LocalDay, timeZone: string): number {
  const wall = day * DAY_MS;
  const guess = wall - offsetMs(wall, timeZone);
  const exact = wall - offsetMs(guess, timeZone);
  return localDay(exact, timeZone) === day ? exact : wall - offsetMs(exact, timeZone);
}

/** Weekday of a calendar day: 0 Monday … 6 Sunday. (Day 0, 1 January 1970, was a Thursday.) */
export function weekdayOf(day: LocalDay): number {
  return (((day + 3) % 7) + 7) % 7;
}

/**
 * The instants at which a place's wall clock shows a time, in order: two in the hour that comes twice when clocks go back; in
 * the hour that is skipped, one, as if the clock had not been set yet.
 * @param wallMs the wall's date and time, counted as if it were UTC
 */
export function wallInstants(wallMs: number, timeZone: string): readonly [number] | readonly [number, number] {
  // Most weeks have one offset from end to end, and it is remembered.
  const week = Math.floor(wallMs / STEP_MS);
  const clocks = clocksOf(timeZone);
  const usual = weekOffsetMs(clocks, week, timeZone);
  if ([-1, 1, 2].every((by) => weekOffsetMs(clocks, week + by, timeZone) === usual)) return [wallMs - usual];
  const [early, late] = [offsetMs(wallMs - DAY_MS, timeZone), offsetMs(wallMs + DAY_MS, timeZone)];
  const first = wallMs - early;
  if (early === late) return [first];
  const holds = (instant: number) => instant + offsetMs(instant, timeZone) === wallMs;
  const second = wallMs - late;
  if (holds(first) && holds(second)) return first < second ? [first, second] : [second, first];
  return [holds(second) ? second : first];
}

/**
 * The instant at which a place's wall clock shows a time. In the hour that comes twice when clocks go back, the first,
 * unless it would not lie after `afterMs`.
 * @param wallMs the wall's date and time, counted as if it were UTC
 */
export function wallInstant(wallMs: number, timeZone: string, afterMs = -Infinity): number {
  const [first, second = first] = wallInstants(wallMs, timeZone);
  return first > afterMs ? first : second;
}
