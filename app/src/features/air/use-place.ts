import type { Year } from '@tembrin/contract';
import { useEffect, useMemo, useState } from 'react';
import { call } from '@/state/api';
import { useAir } from '@/state/air';
import { usePlaces, type KnownPlace } from '@/state/places';
import { usePreferences } from '@/state/preferences';
import { type AirPoint } from '@/ui/AirChart';
import { useWide } from '@/ui/theme';
import { dateWords } from '@/copy/dates';
import { humidityWords } from '@/copy/measures';
import { woodOfInstrument, woodOfPlace, yearPoints } from './chart-points';
import { useMoment, useResidents } from './where';
import { bandOf, excursions, holdOf, ranges, samplesOf, staysAir, unpackDay, type AirDay } from '@tembrin/core/air';
import { localDay, MINUTE_MS } from '@tembrin/core/time';
import { rhFromHundredths } from '@tembrin/core/units';
import { copy } from '@/copy/screens/air/place';

/** A year of a place as the server has it; what this device keeps until it answers. */
function useYear(placeId: string, fromDay: number, toDay: number): Year | null {
  const [year, setYear] = useState<{ key: string; year: Year } | null>(null);
  const air = useAir((state) => state.air);
  const key = `${placeId} ${fromDay} ${toDay}`;
  useEffect(() => {
    let gone = false;
    call('readYear', { params: { id: placeId }, query: { from: fromDay, to: toDay } })
      .then((answer) => !gone && setYear({ key, year: answer }))
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [placeId, fromDay, toDay, key, air]);
  return year?.key === key ? year.year : null;
}

const YEAR = 365;

/** The wood is slower than a clock: its line is worked out anew every ten minutes. */
const TEN_MINUTES_MS = 10 * MINUTE_MS;

/** The points of a year’s chart, and the line of the wood that is followed: an instrument’s, or a plate’s lying there. */
function useYearOfAir(
  { record }: KnownPlace,
  year: Year | null,
  resident: ReturnType<typeof useResidents>[number] | null,
  [fromDay, toDay]: readonly [from: number, to: number],
) {
  const places = usePlaces();
  const { nowMs, timeZone } = useMoment();
  const slot = Math.floor(nowMs / TEN_MINUTES_MS);

  const days: readonly AirDay[] = useMemo(
    () => (year ? year.days.map((row) => unpackDay(row, timeZone)) : record.days),
    [year, record, timeZone],
  );
  const wood = useMemo(
    () =>
      resident
        ? woodOfInstrument(resident.instrument, staysAir(resident.log, places), slot * TEN_MINUTES_MS)
        : woodOfPlace(record, slot * TEN_MINUTES_MS),
    [resident, places, record, slot],
  );
  const points = useMemo(() => {
    const levels = new Map((year?.days ?? []).map(([day], index) => [day, rhFromHundredths(year!.level[index]!)]));
    return yearPoints(days, levels, fromDay, toDay, timeZone, wood);
  }, [days, year, fromDay, toDay, timeZone, wood]);
  return { wood, points };
}

/** A place through the year: its air by the day, whose wood is followed, what stood outside the band. */
export function usePlace(air: KnownPlace) {
  const { place, record, latest, steady } = air;
  const wide = useWide();
  const moment = useMoment();
  const { nowMs, timeZone } = moment;
  const { lengths, temperatures } = usePreferences();
  const residents = useResidents(place.id);
  const today = localDay(nowMs, timeZone);
  const [yearsBack, setYearsBack] = useState(0);
  const toDay = today + 1 - YEAR * yearsBack;
  const fromDay = toDay - YEAR;
  const year = useYear(place.id, fromDay, toDay);
  const [followed, setFollowed] = useState<string | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const [asTable, setAsTable] = useState(false);
  const [reading, setReading] = useState(false);
  const resident = residents.find(({ instrument }) => instrument.id === followed) ?? residents[0] ?? null;
  const school = resident?.schools.air ?? 'A';
  const { wood, points } = useYearOfAir(air, year, resident, [fromDay, toDay]);
  const samples = samplesOf(record);
  const band = bandOf(school, steady, samples);
  const bandAt = (point: AirPoint) => {
    if (school !== 'C' || !steady) return band;
    return point.level === null
      ? null
      : { low: point.level + steady.low - steady.level, high: point.level + steady.high - steady.level };
  };
  const month = ranges(record, band, nowMs);
  const outs = excursions(samples, band, holdOf(record)).slice(-4).reverse();
  const pointWords = ({ at, air: day, wood: stands, level }: AirPoint) =>
    `${dateWords(at, nowMs, timeZone)}: ${day ? copy.airToMean(day.low, day.high, day.rh) : 'nothing read'}${stands === null ? '' : copy.woodStandsAt(stands)}${level === null ? '' : `; level ${humidityWords(level)}`}`;
  const point = chosen === null ? null : points[chosen];
  const chosenDay = chosen === null ? null : fromDay + chosen;
  const earlier = year?.reach ? year.reach[0] < fromDay : false;
  const residentWords = resident
    ? copy.theWoodOf(resident.instrument.name)
    : place.kind === 'room'
      ? copy.aThinPlateLying
      : copy.aThinPlateIn;
  return {
    place,
    record,
    latest,
    wide,
    moment,
    nowMs,
    timeZone,
    lengths,
    temperatures,
    residents,
    yearsBack,
    setYearsBack,
    year,
    setFollowed,
    chosen,
    setChosen,
    asTable,
    setAsTable,
    reading,
    setReading,
    resident,
    school,
    wood,
    points,
    band,
    bandAt,
    month,
    outs,
    pointWords,
    point,
    chosenDay,
    earlier,
    residentWords,
  };
}

export type PlaceModel = ReturnType<typeof usePlace>;
