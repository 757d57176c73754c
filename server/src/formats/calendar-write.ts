import { DAY_MS, dateOfDay, type LocalDay } from '@tembrin/core';
import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventStatus, ICalEventTransparency } from 'ical-generator';

/** One entry of a household's calendar: a window in which something is due. */
export interface CalendarEntry {
  uid: string;
  sequence: number;
  stampedAt: Date;
  cancelled: boolean;
  facts: EntryFacts;
}

export interface EntryFacts {
  title: string;
  text: string;
  /** First and last day of the window. */
  from: LocalDay;
  to: LocalDay;
  /** When it is rung for, ms since 1970: the morning of the day it is planned for. */
  alarmAt: number;
}

/**
 * A household's calendar as an iCalendar file. Published: RFC 5545; whole days, so no time zone is needed.
 * @param published for a subscription rather than a file to keep
 */
export function calendarText(name: string, entries: readonly CalendarEntry[], published: boolean): string {
  const calendar = ical({ name, prodId: { company: 'Tembrin', product: 'Upkeep', language: 'EN' } });
  if (published) {
    calendar.method(ICalCalendarMethod.PUBLISH);
    calendar.ttl(6 * 3600);
  }
  for (const { uid, sequence, stampedAt, cancelled, facts } of entries) {
    const event = calendar.createEvent({
      id: uid,
      sequence,
      stamp: stampedAt,
      lastModified: stampedAt,
      allDay: true,
      // Whole days are written by their UTC fields; the end is the day after the last.
      start: new Date(Date.parse(dateOfDay(facts.from))),
      end: new Date(Date.parse(dateOfDay(facts.to)) + DAY_MS),
      timezone: 'UTC',
      summary: facts.title,
      description: facts.text,
      status: cancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
      transparency: ICalEventTransparency.TRANSPARENT,
    });
    if (!cancelled)
      event.createAlarm({ type: ICalAlarmType.display, trigger: new Date(facts.alarmAt), description: facts.title });
  }
  return calendar.toString();
}
