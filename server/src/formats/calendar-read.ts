import {
  dateOfDay,
  DAY_MS,
  isTimeZone,
  localDay,
  MOST_SPANS,
  OCCASIONS,
  wallInstant,
  type LocalDay,
  type OccasionKind,
} from '@tembrin/core';
import type { CalendarOccasion, CalendarPreview } from '@tembrin/contract';
import ICAL from 'ical.js';
import { recurrences, type Recurrence, type RecurrenceJob } from './recurrence';

/** How far back and ahead dates are taken in, days. */
const BACK_DAYS = 31;
const AHEAD_DAYS = 2 * 366;
/** Entries that are looked at, and repetitions that are spelt out in all: past them a file is no player's calendar. */
const MOST_ENTRIES = 3000;
const MOST_REPEATS = 20_000;
/** The longest one time may last, days. */
const LONGEST_DAYS = 120;

class Unreadable extends Error {}
const CANNOT_READ = 'Its date or its repetition cannot be made out.';

/** Words in a title that tell what kind of occasion it is. */
const KIND_WORDS: readonly (readonly [OccasionKind, RegExp])[] = [
  ['exam', /\bexam|audition|assessment|grade\b/i],
  ['performance', /concert|recital|performance|gig\b|show\b|rehearsal|wedding|festival|competition/i],
  ['lesson', /lesson|class\b|tuition|orchestra|practice/i],
  ['holiday', /holiday|vacation|away|closed|half[- ]term|break\b/i],
];

/** A guess at what an entry is, to be put right by the player. */
function kindOf(title: string, days: number): OccasionKind {
  const found = KIND_WORDS.find(([, words]) => words.test(title))?.[0];
  return found ?? (days > 3 ? 'holiday' : OCCASIONS[0]);
}

interface Entry {
  component: InstanceType<typeof ICAL.Component>;
  uid: string;
  title: string;
}

/**
 * Reads a calendar for a player's occasions: each entry with every day it takes place on, recurring ones spelt out within the
 * time looked at, moved and cancelled repetitions minded. Published: RFC 5545.
 * @param timeZone IANA name; days are counted as they fall there
 * @throws Error with a sentence when the file is no calendar
 */
export async function readCalendar(text: string, timeZone: string, nowMs: number): Promise<CalendarPreview> {
  const { components: all, broken } = parsed(text);
  if (all.length > MOST_ENTRIES)
    throw new Error(`That calendar has ${all.length} entries; at most ${MOST_ENTRIES} are read. Export fewer years.`);
  const today = localDay(nowMs, timeZone);
  const [first, last] = [today - BACK_DAYS, today + AHEAD_DAYS];
  const occasions: CalendarOccasion[] = [];
  const unreadable: CalendarPreview['unreadable'] = broken.map((title) => ({
    title: title.slice(0, 120),
    why: CANNOT_READ,
  }));
  let outside = 0;
  let budget = MOST_REPEATS;
  const series = new Map<string, Entry[]>();
  for (const component of all) {
    const uid = textOf(component, 'uid') || `without-${series.size}`;
    const title = textOf(component, 'summary').trim() || 'Without a title';
    const known = series.get(uid);
    if (known) known.push({ component, uid, title });
    else series.set(uid, [{ component, uid, title }]);
  }
  const spelt = await speltOut(all, first, last);
  for (const [uid, entries] of series) {
    const { title } = entries[0]!;
    try {
      const found = daysOf(entries, timeZone, first, last, spelt);
      budget -= found.repeats;
      if (budget < 0) throw new Unreadable('This calendar repeats itself more often than can be read.');
      if (found.spans.length === 0) outside++;
      else {
        const spans = found.spans
          .slice(0, MOST_SPANS)
          .map(([from, to]) => ({ from: dateOfDay(from), to: dateOfDay(to) }));
        const length = found.spans[0]![1] - found.spans[0]![0] + 1;
        const cut = found.cut || found.spans.length > MOST_SPANS;
        occasions.push({
          uid: uid.slice(0, 255),
          title: title.slice(0, 120),
          guess: kindOf(title, length),
          spans,
          cut,
        });
      }
    } catch (error) {
      const why = error instanceof Unreadable ? error.message : CANNOT_READ;
      unreadable.push({ title: title.slice(0, 120), why });
    }
  }
  occasions.sort((a, b) => (a.spans[0]!.from < b.spans[0]!.from ? -1 : 1));
  return { occasions, outside, unreadable };
}

/** The text of each entry, line by line; one that is opened again before it was closed, or never closed, is no entry. */
function eventBlocks(text: string): { blocks: string[]; open: string[] } {
  const blocks: string[] = [];
  const open: string[] = [];
  let lines: string[] | null = null;
  for (const line of text.split(/\r?\n/)) {
    const key = line.length > 20 ? '' : line.trimEnd().toUpperCase();
    if (key === 'BEGIN:VEVENT') {
      if (lines) open.push(lines.join('\r\n'));
      lines = [];
    }
    lines?.push(line);
    if (key === 'END:VEVENT' && lines) {
      blocks.push(lines.join('\r\n'));
      lines = null;
    }
  }
  if (lines) open.push(lines.join('\r\n'));
  return { blocks, open };
}

/** What an entry that cannot be read is called, as far as can be told. */
const titleIn = (block: string) => /^SUMMARY[^:\n]*:(.*)$/im.exec(block)?.[1]?.trim() || 'Without a title';
/** Opened and never closed entries are told of, so many. */
const OPEN_TOLD = 20;

/** Entries one by one, so that one that is wrong does not spoil the others. */
function parsed(text: string): { components: Entry['component'][]; broken: string[] } {
  if (!/BEGIN:VCALENDAR/i.test(text))
    throw new Error(
      'That is no calendar file. Export it from your calendar as iCalendar (.ics), then choose it again.',
    );
  if (!text.trimEnd().slice(-13).toUpperCase().endsWith('END:VCALENDAR'))
    throw new Error('That calendar file is damaged or cut off. Export it once more.');
  const components: Entry['component'][] = [];
  const broken: string[] = [];
  const { blocks, open } = eventBlocks(text);
  for (const block of blocks) {
    try {
      components.push(new ICAL.Component(ICAL.parse(block) as never));
    } catch {
      broken.push(titleIn(block));
    }
  }
  broken.push(...open.slice(0, OPEN_TOLD).map(titleIn));
  return { components, broken };
}

function textOf(component: Entry['component'], name: string): string {
  const value = component.getFirstPropertyValue(name);
  return typeof value === 'string' ? value : '';
}

type Time = InstanceType<typeof ICAL.Time>;

/** Wall clock of a time as if it were UTC, ms. */
function wallOf(time: Time): number {
  return Date.UTC(time.year, time.month - 1, time.day, time.hour, time.minute, time.second);
}

interface Start {
  wall: number;
  allDay: boolean;
  /** Where its wall hangs: UTC, a zone the runtime knows, or null: whereever one is. */
  zone: string | null;
  /** From its beginning to its end, ms. */
  length: number;
}

function startOf(component: Entry['component']): Start {
  const property = component.getFirstProperty('dtstart');
  const time = property?.getFirstValue() as Time | undefined;
  if (!property || !time || !Number.isFinite(wallOf(time))) throw new Unreadable('It does not say when it begins.');
  const named = property.getFirstParameter('tzid');
  const zone = time.zone?.tzid === 'UTC' ? 'UTC' : named && isTimeZone(named) ? named : null;
  const end = component.getFirstPropertyValue('dtend') as Time | null;
  const duration = component.getFirstPropertyValue('duration') as { toSeconds(): number } | null;
  const wall = wallOf(time);
  const length = end ? wallOf(end) - wall : duration ? duration.toSeconds() * 1000 : time.isDate ? DAY_MS : 0;
  if (length < 0) throw new Unreadable('It ends before it begins.');
  if (length > LONGEST_DAYS * DAY_MS) throw new Unreadable(`It lasts longer than ${LONGEST_DAYS} days.`);
  return { wall, allDay: time.isDate, zone, length };
}

/** First and last calendar day of one time, in the household's place. */
function spanOf({ allDay, zone, length }: Start, wall: number, timeZone: string): [LocalDay, LocalDay] {
  const day = (at: number) =>
    allDay || zone === null ? Math.floor(at / DAY_MS) : localDay(zone === 'UTC' ? at : wallInstant(at, zone), timeZone);
  // An end at midnight is the end of the day before.
  return [day(wall), day(wall + Math.max(0, length - 1))];
}

const TOO_OFTEN = /FREQ=(SECONDLY|MINUTELY|HOURLY)/i;

const rulesOf = (component: Entry['component']) =>
  component.getAllProperties('rrule').map((property) => String(property.getFirstValue()));

/** Rules of all entries spelt out, by entry. What cannot be read is left for where the entry is. */
async function speltOut(
  all: readonly Entry['component'][],
  first: LocalDay,
  last: LocalDay,
): Promise<Map<Entry['component'], Recurrence[]>> {
  const jobs: { component: Entry['component']; job: RecurrenceJob }[] = [];
  for (const component of all) {
    for (const rule of rulesOf(component)) {
      const time = component.getFirstPropertyValue('dtstart') as Time | null;
      if (!time || TOO_OFTEN.test(rule)) continue;
      const startMs = wallOf(time);
      const fromMs = Math.max(startMs, (first - LONGEST_DAYS) * DAY_MS);
      const job = { rule, startMs, fromMs, stopMs: (last + 1) * DAY_MS, most: MOST_REPEATS };
      if (Number.isFinite(startMs)) jobs.push({ component, job });
    }
  }
  const results = await recurrences(jobs.map(({ job }) => job));
  const found = new Map<Entry['component'], Recurrence[]>();
  jobs.forEach(({ component }, at) => found.set(component, [...(found.get(component) ?? []), results[at]!]));
  return found;
}

function daysOf(
  entries: readonly Entry[],
  timeZone: string,
  first: LocalDay,
  last: LocalDay,
  spelt: ReadonlyMap<Entry['component'], Recurrence[]>,
) {
  const main = entries.find(({ component }) => !component.hasProperty('recurrence-id'));
  const moved = entries.filter(({ component }) => component.hasProperty('recurrence-id'));
  const off = (component: Entry['component']) => textOf(component, 'status').toUpperCase() === 'CANCELLED';
  const spans = new Map<LocalDay, LocalDay>();
  const put = ([from, to]: [LocalDay, LocalDay]) => {
    if (to >= first && from <= last) spans.set(from, Math.max(to, spans.get(from) ?? to));
  };
  let repeats = 0;
  let cut = false;
  if (main && !off(main.component)) {
    const start = startOf(main.component);
    const replaced = new Set(
      moved.map(({ component }) => wallOf(component.getFirstPropertyValue('recurrence-id') as Time)),
    );
    const walls = repetitions(main.component, start, spelt.get(main.component) ?? []);
    repeats = walls.times.length;
    cut = walls.cut;
    for (const wall of walls.times) if (!replaced.has(wall)) put(spanOf(start, wall, timeZone));
  }
  for (const { component } of moved) {
    if (off(component)) continue;
    const start = startOf(component);
    put(spanOf(start, start.wall, timeZone));
  }
  return { spans: [...spans].sort((a, b) => a[0] - b[0]), repeats, cut };
}

/** The walls at which an entry begins. */
function repetitions(component: Entry['component'], start: Start, spelt: readonly Recurrence[]) {
  if (rulesOf(component).some((rule) => TOO_OFTEN.test(rule)))
    throw new Unreadable('It repeats every hour or oftener: that is no date to keep clear for.');
  const dates = (name: string) =>
    component
      .getAllProperties(name)
      .flatMap((property) => property.getValues() as Time[])
      .filter((time) => 'hour' in time)
      .map(wallOf);
  const times = new Set<number>([start.wall, ...dates('rdate')]);
  for (const each of spelt) {
    if (each === null) throw new Unreadable('Its repetition runs wild, or is none. Put it right in the calendar.');
    for (const time of each.times) times.add(time);
  }
  const taken = new Set(dates('exdate'));
  return { times: [...times].filter((wall) => !taken.has(wall)), cut: spelt.some((each) => each?.endless) };
}
