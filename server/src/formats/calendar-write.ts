import { dateOfDay, type LocalDay } from '@tembrin/core';
import ICAL from 'ical.js';

/** One entry of a household's calendar: a piece of upkeep on the day it is planned for. */
export interface CalendarEntry {
  uid: string;
  sequence: number;
  stampedAt: Date;
  cancelled: boolean;
  facts: EntryFacts;
}

export interface EntryFacts {
  title: string;
  /** Why that day, and the window it lies in. */
  text: string;
  /** The middle of its window is past. */
  overdue: boolean;
  day: LocalDay;
  /** When it is rung for, ms since 1970: the morning of that day. */
  alarmAt: number;
  /** The instrument it is of; left out in what was told before that was kept. */
  of?: string;
}

/** A line has 75 octets at most, the space before what goes on from the line above among them. */
ICAL.foldLength = 74;

const PRODUCT = '-//Tembrin//Upkeep//EN';
/** How often a calendar program is asked to look again. */
const AGAIN = 'PT6H';

type Component = InstanceType<typeof ICAL.Component>;

/** A property with a type of value other than its own. */
function add(component: Component, name: string, type: string, value: unknown): void {
  const property = new ICAL.Property(name);
  property.resetType(type);
  property.setValue(value as never);
  component.addProperty(property);
}

/** An instant as it is written in UTC. */
const utc = (at: Date) => ICAL.Time.fromJSDate(at, true);
const dateAt = (day: LocalDay) => ICAL.Time.fromDateString(dateOfDay(day));

function eventOf({ uid, sequence, stampedAt, cancelled, facts }: CalendarEntry): Component {
  const event = new ICAL.Component('vevent');
  event.addPropertyWithValue('uid', uid);
  event.addPropertyWithValue('dtstamp', utc(stampedAt) as never);
  event.addPropertyWithValue('last-modified', utc(stampedAt) as never);
  event.addPropertyWithValue('sequence', sequence as never);
  // The end is the day after.
  event.addPropertyWithValue('dtstart', dateAt(facts.day) as never);
  event.addPropertyWithValue('dtend', dateAt(facts.day + 1) as never);
  event.addPropertyWithValue('summary', facts.title);
  event.addPropertyWithValue('description', facts.text);
  event.addPropertyWithValue('status', cancelled ? 'CANCELLED' : 'CONFIRMED');
  event.addPropertyWithValue('transp', 'TRANSPARENT');
  if (!cancelled) {
    const alarm = new ICAL.Component('valarm');
    alarm.addPropertyWithValue('action', 'DISPLAY');
    alarm.addPropertyWithValue('description', facts.title);
    add(alarm, 'trigger', 'date-time', utc(new Date(facts.alarmAt)));
    event.addSubcomponent(alarm);
  }
  return event;
}

/** A time zone that says nothing new: a calendar has to hold something (RFC 5545, 3.4), also while nothing is due. */
function nothing(): Component {
  const zone = new ICAL.Component('vtimezone');
  zone.addPropertyWithValue('tzid', 'Etc/UTC');
  const standard = new ICAL.Component('standard');
  standard.addPropertyWithValue('dtstart', ICAL.Time.fromDateTimeString('1970-01-01T00:00:00') as never);
  standard.addPropertyWithValue('tzoffsetfrom', ICAL.UtcOffset.fromSeconds(0) as never);
  standard.addPropertyWithValue('tzoffsetto', ICAL.UtcOffset.fromSeconds(0) as never);
  zone.addSubcomponent(standard);
  return zone;
}

/**
 * A household's calendar as an iCalendar file. Published: RFC 5545, and RFC 7986 for its name; whole days, so no time zone is
 * needed.
 * @param published for a subscription rather than a file to keep
 */
export function calendarText(name: string, entries: readonly CalendarEntry[], published: boolean): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', PRODUCT);
  calendar.addPropertyWithValue('calscale', 'GREGORIAN');
  if (published) calendar.addPropertyWithValue('method', 'PUBLISH');
  add(calendar, 'name', 'text', name);
  add(calendar, 'x-wr-calname', 'text', name);
  if (published) {
    add(calendar, 'refresh-interval', 'duration', ICAL.Duration.fromString(AGAIN));
    calendar.addPropertyWithValue('x-published-ttl', AGAIN);
  }
  for (const each of entries.length > 0 ? entries.map(eventOf) : [nothing()]) calendar.addSubcomponent(each);
  // Both are text by themselves; older programs look for the bare name.
  const text = calendar.toString().replace(/^(NAME|X-WR-CALNAME);VALUE=TEXT:/gm, '$1:');
  return `${text.trimEnd()}\r\n`;
}
