import { dateOfDay, DAY_MS, localDay, MOST_SPANS, OCCASIONS, type LocalDay, type OccasionKind } from '@tembrin/core';
import type { CalendarOccasion, CalendarPreview } from '@tembrin/contract';
import ICAL from 'ical.js';
import { v5 as namedUuid } from 'uuid';
import { UTC, zonesOf, type CalendarZone } from './calendar-zones';
import { recurrences, type Recurrence, type RecurrenceJob } from './recurrence';

/** How far back and ahead dates are taken in, days. */
const BACK_DAYS = 31;
const AHEAD_DAYS = 2 * 366;
/** Entries that are looked at, and repetitions that are spelt out in all: past them a file is no player's calendar. */
const MOST_ENTRIES = 3000;
const MOST_REPEATS = 20_000;
/** The longest one time may last, days. */
const LONGEST_DAYS = 120;

/** Names of entries that have none of their own. */
const WITHOUT_NAME = '5d1f9c0a-0b3e-5a4e-8f52-0c9f6b7a2d44';

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
    // One without a name is named by what it says, so that it is the same when the file comes again.
    const uid = textOf(component, 'uid') || namedUuid(component.toString(), WITHOUT_NAME);
    const title = textOf(component, 'summary').trim() || 'Without a title';
    const known = series.get(uid);
    if (known) known.push({ component, uid, title });
    else series.set(uid, [{ component, uid, title }]);
  }
  const zones = zonesOf(zoneComponents(text), timeZone);
  const spelt = await speltOut(all, first, last, zones);
  for (const [uid, entries] of series) {
    const { title } = entries[0]!;
    try {
      const found = daysOf(entries, timeZone, first, last, spelt, zones);
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

/** The text of each entry, or of each zone, line by line; one that is opened again before it was closed, or never closed, is none. */
function blocksOf(text: string, what: 'VEVENT' | 'VTIMEZONE'): { blocks: string[]; open: string[] } {
  const blocks: string[] = [];
  const open: string[] = [];
  let lines: string[] | null = null;
  for (const line of text.split(/\r?\n/)) {
    const key = line.length > 20 ? '' : line.trimEnd().toUpperCase();
    if (key === `BEGIN:${what}`) {
      if (lines) open.push(lines.join('\r\n'));
      lines = [];
    }
    lines?.push(line);
    if (key === `END:${what}` && lines) {
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
  const { blocks, open } = blocksOf(text, 'VEVENT');
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

/** Most zones a file may describe. */
const MOST_ZONES = 50;

/** The zones a file describes itself; one that is wrong is left out. */
function zoneComponents(text: string): Entry['component'][] {
  return blocksOf(text, 'VTIMEZONE')
    .blocks.slice(0, MOST_ZONES)
    .flatMap((block) => {
      try {
        return [new ICAL.Component(ICAL.parse(block) as never)];
      } catch {
        return [];
      }
    });
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

type Zones = ReturnType<typeof zonesOf>;
type Property = NonNullable<ReturnType<Entry['component']['getFirstProperty']>>;

/** Where a time hangs: UTC, a zone by name, or wherever one is. @throws Unreadable where nobody knows the zone */
function zoneOf(property: Property, time: Time, zones: Zones): CalendarZone {
  if (time.zone?.tzid === 'UTC') return UTC;
  const tzid = property.getFirstParameter('tzid');
  const zone = zones(tzid ? String(tzid) : null);
  if (!zone)
    throw new Unreadable(`Nobody knows its time zone “${String(tzid).slice(0, 60)}”. Put it right in the calendar.`);
  return zone;
}

interface Start {
  wall: number;
  allDay: boolean;
  zone: CalendarZone;
  /** From its beginning to its end, ms. */
  length: number;
}

function startOf(component: Entry['component'], zones: Zones): Start {
  const property = component.getFirstProperty('dtstart');
  const time = property?.getFirstValue() as Time | undefined;
  if (!property || !time || !Number.isFinite(wallOf(time))) throw new Unreadable('It does not say when it begins.');
  const zone = time.isDate ? UTC : zoneOf(property, time, zones);
  const wall = wallOf(time);
  const ending = component.getFirstProperty('dtend');
  const end = ending?.getFirstValue() as Time | undefined;
  const duration = component.getFirstPropertyValue('duration') as { toSeconds(): number } | null;
  const until = ending && end ? wallIn(ending, end, zone, zones) : null;
  const length = until !== null ? until - wall : duration ? duration.toSeconds() * 1000 : time.isDate ? DAY_MS : 0;
  if (length < 0) throw new Unreadable('It ends before it begins.');
  if (length > LONGEST_DAYS * DAY_MS) throw new Unreadable(`It lasts longer than ${LONGEST_DAYS} days.`);
  return { wall, allDay: time.isDate, zone, length };
}

/** A time on the wall of another's zone. */
function wallIn(property: Property, time: Time, zone: CalendarZone, zones: Zones): number {
  if (time.isDate) return wallOf(time);
  const own = zoneOf(property, time, zones);
  return own === zone ? wallOf(time) : zone.toWall(own.toInstant(wallOf(time)));
}

/** First and last calendar day of one time, in the household's place. */
function spanOf({ allDay, zone }: Start, wall: number, length: number, timeZone: string): [LocalDay, LocalDay] {
  const day = (at: number) => (allDay ? Math.floor(at / DAY_MS) : localDay(zone.toInstant(at), timeZone));
  // An end at midnight is the end of the day before.
  return [day(wall), day(wall + Math.max(0, length - 1))];
}

const TOO_OFTEN = /FREQ=(SECONDLY|MINUTELY|HOURLY)/i;
const UNTIL = /(UNTIL=)(\d{4})-?(\d{2})-?(\d{2})(?:T(\d{2}):?(\d{2}):?(\d{2})(Z?))?/i;

const rulesOf = (component: Entry['component']) =>
  component.getAllProperties('rrule').map((property) => String(property.getFirstValue()));

/** A rule whose end is said on the wall of its own start: an end in UTC lies there at another hour, a mere date at its own end. */
function ruleOnWall(rule: string, { zone, allDay }: Start): string {
  return rule.replace(
    UNTIL,
    (_whole, key: string, y: string, mo: string, d: string, h = '23', mi = '59', s = '59', z = '') => {
      const said = Date.UTC(+y, +mo - 1, +d, +h, +mi, +s);
      const wall = z === '' || allDay ? said : zone.toWall(said);
      return `${key}${new Date(wall).toISOString().replaceAll(/[-:]|\.\d+/g, '')}`;
    },
  );
}

/** Rules of all entries spelt out, by entry. What cannot be read is left for where the entry is. */
async function speltOut(
  all: readonly Entry['component'][],
  first: LocalDay,
  last: LocalDay,
  zones: Zones,
): Promise<Map<Entry['component'], Recurrence[]>> {
  const jobs: { component: Entry['component']; job: RecurrenceJob }[] = [];
  for (const component of all) {
    const rules = rulesOf(component).filter((rule) => !TOO_OFTEN.test(rule));
    const start = rules.length > 0 ? startIfAny(component, zones) : null;
    if (!start) continue;
    const fromMs = Math.max(start.wall, (first - LONGEST_DAYS) * DAY_MS);
    for (const rule of rules) {
      const stopMs = (last + 2) * DAY_MS;
      const job = { rule: ruleOnWall(rule, start), startMs: start.wall, fromMs, stopMs, most: MOST_REPEATS };
      jobs.push({ component, job });
    }
  }
  const results = await recurrences(jobs.map(({ job }) => job));
  const found = new Map<Entry['component'], Recurrence[]>();
  jobs.forEach(({ component }, at) => found.set(component, [...(found.get(component) ?? []), results[at]!]));
  return found;
}

function startIfAny(component: Entry['component'], zones: Zones): Start | null {
  try {
    return startOf(component, zones);
  } catch {
    return null;
  }
}

/** A repetition that was put elsewhere, alone or with all that follow it. */
interface Moved {
  /** Where it would have been, on the wall of the series. */
  wall: number;
  start: Start;
  following: boolean;
  off: boolean;
}

const isOff = (component: Entry['component']) => textOf(component, 'status').toUpperCase() === 'CANCELLED';

function movedOf(component: Entry['component'], series: Start | null, zones: Zones): Moved {
  const property = component.getFirstProperty('recurrence-id')!;
  const start = startOf(component, zones);
  const time = property.getFirstValue() as Time;
  const wall = wallIn(property, time, series?.zone ?? start.zone, zones);
  const following = String(property.getFirstParameter('range') ?? '').toUpperCase() === 'THISANDFUTURE';
  return { wall, start, following, off: isOff(component) };
}

function daysOf(
  entries: readonly Entry[],
  timeZone: string,
  first: LocalDay,
  last: LocalDay,
  spelt: ReadonlyMap<Entry['component'], Recurrence[]>,
  zones: Zones,
) {
  const main = entries.find(({ component }) => !component.hasProperty('recurrence-id'));
  const series = main ? startOf(main.component, zones) : null;
  const moved = entries
    .filter(({ component }) => component.hasProperty('recurrence-id'))
    .map(({ component }) => movedOf(component, series, zones))
    .sort((a, b) => a.wall - b.wall);
  const spans = new Map<LocalDay, LocalDay>();
  const put = ([from, to]: [LocalDay, LocalDay]) => {
    if (to >= first && from <= last) spans.set(from, Math.max(to, spans.get(from) ?? to));
  };
  let repeats = 0;
  let cut = false;
  if (main && series && !isOff(main.component)) {
    const replaced = new Set(moved.map(({ wall }) => wall));
    const walls = repetitions(main.component, series, spelt.get(main.component) ?? [], zones);
    repeats = walls.times.length;
    cut = walls.cut;
    for (const { wall, length } of walls.times) {
      if (replaced.has(wall)) continue;
      // What was put elsewhere with all that follow moves these by as much.
      const by = moved.findLast((each) => each.following && each.wall < wall);
      if (by?.off) continue;
      if (by) put(spanOf(by.start, wall + by.start.wall - by.wall, by.start.length, timeZone));
      else put(spanOf(series, wall, length, timeZone));
    }
  }
  for (const { start, off } of moved) if (!off) put(spanOf(start, start.wall, start.length, timeZone));
  return { spans: [...spans].sort((a, b) => a[0] - b[0]), repeats, cut };
}

/** A stretch given as one of an entry's dates: from when to when, or for how long. */
interface Period {
  start: Time;
  getDuration(): { toSeconds(): number };
}
const isPeriod = (value: unknown): value is Period => typeof value === 'object' && value !== null && 'start' in value;

/** The walls at which an entry begins, and how long each lasts. */
function repetitions(component: Entry['component'], start: Start, spelt: readonly Recurrence[], zones: Zones) {
  if (rulesOf(component).some((rule) => TOO_OFTEN.test(rule)))
    throw new Unreadable('It repeats every hour or oftener: that is no date to keep clear for.');
  const times = new Map<number, number>([[start.wall, start.length]]);
  for (const property of component.getAllProperties('rdate')) {
    for (const value of property.getValues() as unknown[]) {
      const time = isPeriod(value) ? value.start : (value as Time);
      if (!time || !('hour' in time)) continue;
      const length = isPeriod(value) ? value.getDuration().toSeconds() * 1000 : start.length;
      times.set(wallIn(property, time, start.zone, zones), length);
    }
  }
  for (const each of spelt) {
    if (each === null) throw new Unreadable('Its repetition runs wild, or is none. Put it right in the calendar.');
    for (const time of each.times) if (!times.has(time)) times.set(time, start.length);
  }
  for (const property of component.getAllProperties('exdate')) {
    for (const time of property.getValues() as Time[]) {
      if (!time || !('hour' in time)) continue;
      const wall = wallIn(property, time, start.zone, zones);
      times.delete(wall);
      // A date alone takes away whatever begins on it.
      if (time.isDate && !start.allDay)
        for (const at of times.keys()) if (Math.floor(at / DAY_MS) === wall / DAY_MS) times.delete(at);
    }
  }
  return {
    times: [...times].map(([wall, length]) => ({ wall, length })),
    cut: spelt.some((each) => each?.endless),
  };
}
