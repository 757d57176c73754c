import { isTimeZone, offsetMs, wallInstant } from '@tembrin/core';
import ICAL from 'ical.js';
import { findIana } from 'windows-iana';

/** Where the times of a calendar's entry hang: from its wall clock to instants and back. Walls are counted as if they were UTC, ms. */
export interface CalendarZone {
  toInstant(wallMs: number): number;
  toWall(instantMs: number): number;
}

export const UTC: CalendarZone = { toInstant: (wall) => wall, toWall: (instant) => instant };

/** A zone the runtime knows. */
function named(timeZone: string): CalendarZone {
  return {
    toInstant: (wall) => wallInstant(wall, timeZone),
    toWall: (instant) => instant + offsetMs(instant, timeZone),
  };
}

type Component = InstanceType<typeof ICAL.Component>;

/** A zone's own description is read where it changes its clocks by yearly rules, a few of them: more is no place on earth. */
const MOST_CHANGES = 60;
const YEARLY = /^(?:|.*FREQ=YEARLY.*)$/i;

function isModest(zone: Component): boolean {
  const parts = zone.getAllSubcomponents();
  const rules = parts.flatMap((part) => part.getAllProperties('rrule').map((rule) => String(rule.getFirstValue())));
  return parts.length > 0 && parts.length <= MOST_CHANGES && rules.every((rule) => YEARLY.test(rule));
}

/** A zone as the file itself describes it. */
function described(component: Component): CalendarZone {
  const zone = new ICAL.Timezone(component as never);
  const offsetAt = (wallMs: number) => {
    const wall = new Date(wallMs);
    const [year, month, day] = [wall.getUTCFullYear(), wall.getUTCMonth() + 1, wall.getUTCDate()];
    const [hour, minute, second] = [wall.getUTCHours(), wall.getUTCMinutes(), wall.getUTCSeconds()];
    const time = new ICAL.Time({ year, month, day, hour, minute, second, isDate: false } as never, zone);
    return zone.utcOffset(time) * 1000;
  };
  const toInstant = (wall: number) => wall - offsetAt(wall);
  // The wall that shows an instant: tried with the offsets on either side of it.
  const toWall = (instant: number) => {
    const near = instant + offsetAt(instant);
    return toInstant(near) === instant ? near : instant + offsetAt(near);
  };
  return { toInstant, toWall };
}

/**
 * The zones of one calendar by the names its times use: those the runtime knows, those that another system names in its own way,
 * and, for names that nobody knows, as the file describes them. Published: RFC 5545, section 3.6.5; CLDR, windowsZones.
 * @param timeZone the household's, for times that hang nowhere
 * @returns null for a name that cannot be told
 */
export function zonesOf(
  descriptions: readonly Component[],
  timeZone: string,
): (tzid: string | null) => CalendarZone | null {
  const own = new Map<string, Component>();
  for (const component of descriptions) {
    const tzid = component.getFirstPropertyValue('tzid');
    if (typeof tzid === 'string' && isModest(component)) own.set(tzid, component);
  }
  const known = new Map<string, CalendarZone | null>();
  const find = (tzid: string): CalendarZone | null => {
    if (isTimeZone(tzid)) return named(tzid);
    const [iana] = findIana(tzid as never, '001' as never) ?? [];
    if (iana && isTimeZone(iana)) return named(iana);
    const component = own.get(tzid);
    return component ? described(component) : null;
  };
  return (tzid) => {
    const name = tzid ?? timeZone;
    if (!known.has(name)) known.set(name, tzid === null ? named(timeZone) : find(name));
    return known.get(name)!;
  };
}
