import {
  airAround,
  airOfStays,
  airVerdict,
  HOUR_MS,
  roomForecast,
  roomHabit,
  startOfLocalDay,
  staysOf,
  type AirDay,
  type AirHour,
  type AirRecord,
  type InstrumentAir,
  type InstrumentFacts,
  type InstrumentLog,
  type RoomHabit,
  type RoomHour,
  type Side,
  type StayAir,
  type SteadyBand,
  type WeatherHour,
} from '@tembrin/core';
import type { Air, DayRow, HourRow, Place, PlaceRecord, ReadingPost, Weather } from './air';

/** A reading somebody took that the server does not have yet. */
export interface UnsentReading {
  sensorId: string;
  reading: ReadingPost['readings'][number];
}

/** What is on the wire, as the core reckons with it. */

export function hourOfRow([hour, rh, low, high, temp]: HourRow): AirHour {
  return {
    at: hour * HOUR_MS,
    rh: rh / 10_000,
    low: low / 10_000,
    high: high / 10_000,
    tempC: temp === null ? null : temp / 100,
  };
}

export function dayOfRow([day, hours, rh, low, high, temp]: DayRow, timeZone: string): AirDay {
  const at = startOfLocalDay(day, timeZone);
  return { ...hourOfRow([0, rh, low, high, temp]), at, day, hours };
}

export interface PlaceAir {
  place: Place;
  record: AirRecord;
  steady: SteadyBand | null;
  /** The newest reading; null without any. */
  latest: AirHour | null;
  /** How the place differs from the weather; null where that is not known. */
  habit: RoomHabit | null;
  /** Its air in the coming days, hour by hour; empty where it is not known. */
  ahead: RoomHour[];
}

export function weatherHours(weather: Weather | null): WeatherHour[] {
  return (weather?.hours ?? []).map(([hour, tempC, rh]) => ({
    at: hour * HOUR_MS,
    tempC: tempC / 100,
    rh: rh / 10_000,
  }));
}

/** Hours with a temperature, as a room is reckoned by. */
export function roomHours(hours: readonly AirHour[], fromMs: number): RoomHour[] {
  return hours.flatMap(({ at, rh, tempC }) => (at >= fromMs && tempC !== null ? [{ at, rh, tempC }] : []));
}

/** Every place with its air, unsent readings included. */
export function placesAir(
  air: Air,
  unsent: readonly UnsentReading[],
  timeZone: string,
  nowMs: number,
): Map<string, PlaceAir> {
  const weather = weatherHours(air.weather);
  const past = weather.filter(({ at }) => at < nowMs);
  const coming = weather.filter(({ at }) => at >= nowMs - HOUR_MS);
  const records = new Map(air.records.map((record) => [record.placeId, record]));
  return new Map(
    air.places.map((place) => {
      const wire = records.get(place.id);
      const record = withUnsent(wire, place.id, air, unsent, timeZone);
      const habit = roomHabit(roomHours(record.hours, nowMs - 14 * 24 * HOUR_MS), past);
      const ahead = habit && place.kind === 'room' && coming.length >= 24 ? roomForecast(habit, coming) : [];
      const steady = wire?.steady ?? null;
      return [place.id, { place, record, steady, latest: record.hours.at(-1) ?? null, habit, ahead }];
    }),
  );
}

function withUnsent(
  wire: PlaceRecord | undefined,
  placeId: string,
  { sensors }: Air,
  unsent: readonly UnsentReading[],
  timeZone: string,
): AirRecord {
  const days = (wire?.days ?? []).map((row) => dayOfRow(row, timeZone));
  const hours = (wire?.hours ?? []).map(hourOfRow);
  const here = new Set(sensors.filter((sensor) => sensor.placeId === placeId).map(({ id }) => id));
  const typed = unsent.flatMap(({ sensorId, reading }): AirHour[] =>
    here.has(sensorId)
      ? [
          {
            at: Date.parse(reading.at),
            rh: reading.percent / 100,
            low: (reading.low ?? reading.percent) / 100,
            high: (reading.high ?? reading.percent) / 100,
            tempC: reading.tempC,
          },
        ]
      : [],
  );
  return { days, hours: [...hours, ...typed].sort((a, b) => a.at - b.at) };
}

/** The air of each stay of an instrument. */
export function staysAir(
  log: Pick<InstrumentLog, 'moves' | 'nowMs'>,
  places: ReadonlyMap<string, PlaceAir>,
): StayAir[] {
  const facts = [...places.values()].map(({ place }) => place);
  const measured = (id: string) => (places.get(id)?.record.hours.length ?? 0) > 0;
  const stays = staysOf(log.moves, facts, measured, log.nowMs);
  return airOfStays(stays, (id) => places.get(id)?.record);
}

/** An instrument's air: the verdict on its wood, and what its other parts suffer from. */
export function instrumentAir(
  facts: InstrumentFacts,
  school: Side,
  log: InstrumentLog,
  places: ReadonlyMap<string, PlaceAir>,
): InstrumentAir {
  const air = staysAir(log, places);
  const stay = air.at(-1)?.stay;
  const here = stay?.airOf ? places.get(stay.airOf) : undefined;
  const place = stay?.placeId ? places.get(stay.placeId)?.place : undefined;
  const room = place?.roomId ? places.get(place.roomId)?.place : place;
  const verdict = airVerdict({
    facts,
    school,
    air,
    steady: here?.steady ?? null,
    ahead: here?.ahead ?? [],
    nowMs: log.nowMs,
  });
  return { verdict, samples: airAround(air), holdMs: air.at(-1)?.holdMs ?? 0, heating: room?.heating ?? null };
}
