import { subjectOf, type DueItem } from '../parts';
import { dayOfDate, HOUR_MS, localDay, SECOND_MS, startOfLocalDay, type LocalDay } from '../time';
import { chanceBy } from '../wear';
import type { Appointment } from './appointments';
import { isPlayedBefore, spansBetween, type Occasion, type OccasionSpan } from './occasions';

/** Why a piece of upkeep stands on its day; `workshop`: the instrument is there until then. */
export type Placed =
  | { by: 'window' }
  | { by: 'today' }
  | { by: 'workshop' }
  | { by: 'player' }
  | { by: 'performance'; side: 'before' | 'after'; occasion: OccasionSpan }
  | { by: 'visit'; with: number };

export interface PlannedItem extends DueItem {
  day: LocalDay;
  placed: Placed;
  /** Chance that it is spent by then. */
  risk: number;
  /** A performance whose quiet days the player's own date falls into. */
  clash: OccasionSpan | null;
}

/** One trip to the workshop. */
export interface Visit {
  day: LocalDay;
  items: PlannedItem[];
}

export interface YearPlan {
  items: PlannedItem[];
  visits: Visit[];
}

interface Zone {
  from: LocalDay;
  to: LocalDay;
  occasion: OccasionSpan;
}

/** Days on which an item is left alone, overlapping ones as one, in order. */
function quietZones(item: DueItem, spans: readonly OccasionSpan[]): Zone[] {
  const zones: Zone[] = [];
  for (const occasion of spans) {
    if (!isPlayedBefore(occasion)) continue;
    if (occasion.instrumentId !== null && occasion.instrumentId !== item.instrumentId) continue;
    const zone = { from: occasion.from - item.keepsClear, to: occasion.to, occasion };
    const last = zones.at(-1);
    if (last && zone.from <= last.to + 1) {
      last.to = Math.max(last.to, zone.to);
      last.from = Math.min(last.from, zone.from);
    } else zones.push(zone);
  }
  return zones;
}

const zoneAt = (zones: readonly Zone[], day: LocalDay) => zones.find(({ from, to }) => day >= from && day <= to);

/** Chance that something is spent by noon of a day: what doing it then risks. */
export function riskOn({ outlook }: Pick<DueItem, 'outlook'>, day: LocalDay, timeZone: string): number {
  return chanceBy(outlook, startOfLocalDay(day, timeZone) + 12 * HOUR_MS);
}

/** How far ahead workshop visits are made one. */
const VISIT_HORIZON_DAYS = 400;
/** A visit may be so far from where an item would stand by itself. From memory: within a season. */
const VISIT_REACH_DAYS = 75;

/**
 * Lays what comes due on days: the middle of its window, or today where that is past; never within the quiet days before a
 * performance; workshop work bundled into as few visits as the windows allow. A date the player set stays, and is warned of.
 * @param items what comes due, of every instrument
 */
export function yearPlan(
  items: readonly DueItem[],
  appointments: readonly Appointment[],
  occasions: readonly Occasion[],
  nowMs: number,
  timeZone: string,
): YearPlan {
  const today = localDay(nowMs, timeZone);
  const spans = spansBetween(occasions, today, today + 4 * 366);
  const day = (atMs: number) => localDay(atMs, timeZone);
  const risk = (item: DueItem, at: LocalDay) => riskOn(item, at, timeZone);

  const placed = items.map((due) => placeItem(due, appointments, spans, today, day, risk));
  bundle(placed, today, day, risk);
  const planned = placed.map(({ zones: _zones, ...item }) => item).sort((a, b) => a.day - b.day);
  return { items: planned, visits: visitsOf(planned) };
}

type Placing = PlannedItem & { zones: Zone[] };

/** Where one item stands by itself: on the player's day, in the middle of its window, or clear of a performance. */
function placeItem(
  due: DueItem,
  appointments: readonly Appointment[],
  spans: readonly OccasionSpan[],
  today: LocalDay,
  day: (atMs: number) => LocalDay,
  risk: (item: DueItem, at: LocalDay) => number,
): Placing {
  const zones = quietZones(due, spans);
  const own = appointments.find(
    (each) =>
      subjectOf(each) === subjectOf(due) && each.part === due.part && Math.abs(each.lifeFrom - due.from) < SECOND_MS,
  );
  const item = own?.by ? { ...due, who: own.by } : due;
  const made = (at: LocalDay, placed: Placed, clash: OccasionSpan | null = null): Placing => ({
    ...item,
    zones,
    day: at,
    placed,
    risk: risk(item, at),
    clash,
  });
  if (own) {
    const at = Math.max(today, dayOfDate(own.date));
    return made(at, { by: 'player' }, zoneAt(zones, at)?.occasion ?? null);
  }
  const middle = day(item.window.middle);
  const home = due.awayUntil ?? today;
  const wanted = Math.max(today, middle, home);
  const zone = zoneAt(zones, wanted);
  if (!zone)
    return made(wanted, middle >= wanted ? { by: 'window' } : home > today ? { by: 'workshop' } : { by: 'today' });
  const [before, after] = [zone.from - 1, zone.to + 1];
  // Before it, unless that is past, or would throw away most of a part that lasts well beyond it.
  const early = before >= home && (before >= day(item.window.early) || risk(item, after) >= 0.5);
  return made(early ? before : after, {
    by: 'performance',
    side: early ? 'before' : 'after',
    occasion: zone.occasion,
  });
}

/** Moves workshop items that may share a day onto one: the day that suits most of those still alone, earliest end first. */
function bundle(
  placed: Placing[],
  today: LocalDay,
  day: (atMs: number) => LocalDay,
  risk: (item: DueItem, at: LocalDay) => number,
): void {
  const open = placed
    .filter((item) => item.who === 'workshop' && item.day <= today + VISIT_HORIZON_DAYS)
    .map((item) => {
      const fixed = item.placed.by === 'player';
      const from = fixed
        ? item.day
        : Math.max(
            today,
            item.awayUntil ?? today,
            Math.min(item.day, day(item.window.early)),
            item.day - VISIT_REACH_DAYS,
          );
      const to = fixed ? item.day : Math.min(Math.max(item.day, day(item.window.late)), item.day + VISIT_REACH_DAYS);
      return { item, from, to };
    });
  while (open.length > 0) {
    open.sort((a, b) => a.to - b.to);
    const suits = (at: LocalDay) =>
      open.filter(
        ({ item, from, to }) => from <= at && to >= at && (item.placed.by === 'player' || !zoneAt(item.zones, at)),
      );
    const first = open[0]!;
    let best = { at: first.item.day, group: suits(first.item.day), shift: 0 };
    for (let at = first.from; at <= first.to; at++) {
      const group = suits(at);
      if (!group.includes(first)) continue;
      const shift = group.reduce((sum, { item }) => sum + Math.abs(item.day - at), 0);
      if (
        group.length > best.group.length ||
        (group.length === best.group.length && shift < best.shift) ||
        !best.group.includes(first)
      )
        best = { at, group, shift };
    }
    if (best.group.length > 1) {
      for (const { item } of best.group) {
        if (item.placed.by !== 'player') item.placed = { by: 'visit', with: best.group.length - 1 };
        item.day = best.at;
        item.risk = risk(item, best.at);
      }
    }
    for (const each of new Set([first, ...best.group])) open.splice(open.indexOf(each), 1);
  }
}

function visitsOf(items: readonly PlannedItem[]): Visit[] {
  const days = new Map<LocalDay, PlannedItem[]>();
  for (const item of items) {
    if (item.who !== 'workshop') continue;
    days.set(item.day, [...(days.get(item.day) ?? []), item]);
  }
  return [...days].map(([day, together]) => ({ day, items: together })).sort((a, b) => a.day - b.day);
}
