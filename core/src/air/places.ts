import type { InstrumentFacts } from '../instruments';
import type { InstrumentLog } from '../log';
import type { Side } from '../schools';
import { DAY_MS, HOUR_MS } from '../time';
import { rhFromPercent } from '../units';
import { unpackDay, unpackHour, unpackWeather, type PackedWeather } from './packed';
import type { AirHour, AirRecord } from './record';
import { roomForecast, roomHabit, type RoomHabit, type RoomHour, type WeatherHour } from './room';
import type { PackedRecord } from './series';
import { airAround, airOfStays, staysOf, type PlaceFacts, type StayAir } from './stays';
import type { SteadyBand } from './steadiness';
import { airVerdict, type AirVerdict } from './verdict';

/** A place as its household knows it. */
export interface AirPlace extends PlaceFacts {
  /** Months (1–12) in which the heating is on, from one to another; null without heating. */
  heating: { from: number; to: number } | null;
}

/** A reading somebody took that is not part of the records yet. */
export interface LooseReading {
  sensorId: string;
  reading: {
    /** An instant in ISO 8601. */
    at: string;
    percent: number;
    tempC: number | null;
    /** Lowest and highest since the last look, where the instrument remembers them. */
    lowPercent: number | null;
    highPercent: number | null;
  };
}

/** Everything that is known of a household's air. */
export interface AirKnown<P extends AirPlace = AirPlace> {
  places: readonly P[];
  sensors: readonly { id: string; placeId: string }[];
  records: readonly (PackedRecord & { placeId: string })[];
  /** null when no weather is known. */
  weather: { hours: readonly PackedWeather[] } | null;
}

/** A place with its air. */
export interface PlaceAir<P extends AirPlace = AirPlace> {
  place: P;
  record: AirRecord;
  steady: SteadyBand | null;
  /** The newest reading; null without any. */
  latest: AirHour | null;
  /** How the place differs from the weather; null where that is not known. */
  habit: RoomHabit | null;
  /** Its air in the coming days, hour by hour; empty where it is not known. */
  ahead: RoomHour[];
}

/** How far back a room is compared with the weather, days. */
const HABIT_DAYS = 14;
/** Coming hours of weather from which a forecast is worth making. */
const FORECAST_LEAST_H = 24;

/** Hours of weather, past and coming, rising; empty where none is known. */
export function weatherHours(weather: AirKnown['weather']): WeatherHour[] {
  return (weather?.hours ?? []).map(unpackWeather);
}

/** Hours with a temperature, as a room is reckoned by. */
export function roomHours(hours: readonly AirHour[], fromMs: number): RoomHour[] {
  return hours.flatMap(({ at, rh, tempC }) => (at >= fromMs && tempC !== null ? [{ at, rh, tempC }] : []));
}

/** Every place with its air by id, loose readings included. */
export function placesAir<P extends AirPlace>(
  air: AirKnown<P>,
  loose: readonly LooseReading[],
  timeZone: string,
  nowMs: number,
): Map<string, PlaceAir<P>> {
  const weather = weatherHours(air.weather);
  const past = weather.filter(({ at }) => at < nowMs);
  const coming = weather.filter(({ at }) => at >= nowMs - HOUR_MS);
  const records = new Map(air.records.map((record) => [record.placeId, record]));
  return new Map(
    air.places.map((place) => {
      const packed = records.get(place.id);
      const record = unpackRecord(packed, looseHours(place.id, air.sensors, loose), timeZone);
      const habit = roomHabit(roomHours(record.hours, nowMs - HABIT_DAYS * DAY_MS), past);
      const forecast = habit && place.kind === 'room' && coming.length >= FORECAST_LEAST_H;
      const ahead = forecast ? roomForecast(habit, coming) : [];
      const steady = packed?.steady ?? null;
      return [place.id, { place, record, steady, latest: record.hours.at(-1) ?? null, habit, ahead }];
    }),
  );
}

function unpackRecord(packed: PackedRecord | undefined, loose: readonly AirHour[], timeZone: string): AirRecord {
  const days = (packed?.days ?? []).map((row) => unpackDay(row, timeZone));
  const hours = (packed?.hours ?? []).map(unpackHour);
  return { days, hours: loose.length === 0 ? hours : [...hours, ...loose].sort((a, b) => a.at - b.at) };
}

function looseHours(placeId: string, sensors: AirKnown['sensors'], loose: readonly LooseReading[]): AirHour[] {
  const here = new Set(sensors.filter((sensor) => sensor.placeId === placeId).map(({ id }) => id));
  return loose.flatMap(({ sensorId, reading }): AirHour[] => {
    if (!here.has(sensorId)) return [];
    const { at, percent, lowPercent, highPercent, tempC } = reading;
    return [
      {
        at: Date.parse(at),
        rh: rhFromPercent(percent),
        low: rhFromPercent(lowPercent ?? percent),
        high: rhFromPercent(highPercent ?? percent),
        tempC,
      },
    ];
  });
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
  facts: Pick<InstrumentFacts, 'family' | 'kind' | 'size' | 'setUp'>,
  school: Side,
  log: Pick<InstrumentLog, 'moves' | 'nowMs'>,
  places: ReadonlyMap<string, PlaceAir>,
): { verdict: AirVerdict; samples: AirHour[]; holdMs: number; heating: AirPlace['heating'] } {
  const air = staysAir(log, places);
  const stay = air.at(-1)?.stay;
  const here = stay?.airOf ? places.get(stay.airOf) : undefined;
  const place = stay?.placeId ? places.get(stay.placeId)?.place : undefined;
  const said = log.moves.at(-1)?.placeId ?? null;
  const room = place?.roomId ? places.get(place.roomId)?.place : place;
  const verdict = airVerdict({
    facts,
    school,
    air,
    steady: here?.steady ?? null,
    ahead: here?.ahead ?? [],
    placeUnknown: said !== null && !places.has(said),
    nowMs: log.nowMs,
  });
  return { verdict, samples: airAround(air), holdMs: air.at(-1)?.holdMs ?? 0, heating: room?.heating ?? null };
}
