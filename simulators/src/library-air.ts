import {
  DAY_MS,
  HOUR_MS,
  localDay,
  readingOf,
  startOfLocalDay,
  type Draught,
  type Reading,
  type Salt,
} from '@tembrin/core';
import type { Chance } from './chance';
import { roomAir, type RoomId } from './climate';

export interface DemoPlace {
  id: string;
  room: RoomId;
  kind: 'room' | 'case';
  name: string;
  roomId: string | null;
  volumeM3: number | null;
  draught: Draught;
  heating: { from: number; to: number } | null;
  tankG: number | null;
  dryerG: number | null;
}

export interface DemoSensor {
  id: string;
  placeId: string;
  kind: 'hand' | 'logger' | 'post';
  name: string;
  checks: { id: string; at: number; salt: Salt; tempC: number; shownRh: number }[];
  /** In order of time. */
  readings: Reading[];
}

export interface DemoAir {
  places: DemoPlace[];
  sensors: DemoSensor[];
}

/** Readings go back a little over thirteen months, so that a place's own level is known. */
const AIR_DAYS = 402;
const HEATED = { from: 10, to: 4 };
/** A logger that fell off its shelf and was only found after so many days. */
const GAP = { fromDaysAgo: 97, toDaysAgo: 89 };

/** The library's rooms over a bakery by a harbour: damp warm mornings from the ovens, a dry winter from the heating, salt air in summer. */
export function libraryAir(nowMs: number, timeZone: string, chance: Chance): DemoAir {
  const today = localDay(nowMs, timeZone);
  const start = startOfLocalDay(today - AIR_DAYS, timeZone);
  const id = () => chance.id(start);
  const room = (name: string, more: Partial<DemoPlace> & Pick<DemoPlace, 'room'>): DemoPlace => ({
    id: id(),
    kind: 'room',
    name,
    roomId: null,
    volumeM3: 40,
    draught: 'ordinary',
    heating: HEATED,
    tankG: null,
    dryerG: null,
    ...more,
  });
  const ovens = room('Over the ovens', { room: 'ovens', volumeM3: 55, draught: 'draughty' });
  const reading = room('Reading room', { room: 'reading', volumeM3: 40, tankG: 4000 });
  const store = room('Harbour store', { room: 'store', volumeM3: 25, draught: 'draughty', heating: null, dryerG: 500 });
  const box = room('Heron’s case', {
    room: 'case',
    kind: 'case',
    roomId: ovens.id,
    volumeM3: null,
    heating: null,
  });

  const sensor = (place: DemoPlace, kind: DemoSensor['kind'], name: string, offset: number): DemoSensor => {
    const everyH = kind === 'hand' ? 3 * 24 : 1;
    const air = roomAir(place.room, start + 9 * HOUR_MS, nowMs, HOUR_MS, timeZone);
    const readings: Reading[] = [];
    for (const [at, hour] of air.entries()) {
      const daysAgo = (nowMs - hour.at) / DAY_MS;
      if (at % everyH !== 0) continue;
      if (kind === 'logger' && daysAgo < GAP.fromDaysAgo && daysAgo > GAP.toDaysAgo) continue;
      const shown = (rh: number) => Math.min(100, Math.max(1, (rh + offset) * 100));
      const since = air.slice(Math.max(0, at - everyH), at + 1).map(({ rh }) => shown(rh));
      const made = readingOf(
        {
          at: hour.at,
          percent: shown(hour.rh),
          tempC: hour.tempC,
          lowPercent: kind === 'hand' ? Math.min(...since) : null,
          highPercent: kind === 'hand' ? Math.max(...since) : null,
        },
        nowMs,
      );
      if (typeof made !== 'string') readings.push(made);
    }
    return { id: id(), placeId: place.id, kind, name, checks: [], readings };
  };
  const sensors = [
    sensor(ovens, 'post', 'Hygrometer by the door', 0),
    sensor(reading, 'logger', 'Logger on the shelf', 0.03),
    sensor(store, 'post', 'Hygrometer in the store', 0),
    sensor(box, 'hand', 'Dial in the case', 0),
  ];
  // The logger shows three percent too much: found out over salt, and put right since.
  sensors[1]!.checks.push({
    id: id(),
    at: nowMs - 300 * DAY_MS,
    salt: 'sodium-chloride',
    tempC: 21,
    shownRh: 0.784,
  });
  return { places: [ovens, reading, store, box], sensors };
}
