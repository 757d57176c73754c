import type { Year } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import Pencil from 'lucide-react-native/icons/pencil';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { call } from '@/state/api';
import { useAir } from '@/state/air';
import { usePlaces, type KnownPlace } from '@/state/assessments';
import { usePreferences } from '@/state/preferences';
import { AirChart, type AirPoint } from '@/ui/AirChart';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { Figures } from '@/ui/Figures';
import { IconButton } from '@/ui/IconButton';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { useWide } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { AIR_STATE_NAMES, verdictSentence } from '@/copy/air';
import { clockWords, dateWords, lastingWords } from '@/copy/dates';
import { humidityWords, temperatureWords } from '@/copy/measures';
import { ChartKey } from './ChartWords';
import { dayPoints, monthTicks, woodOfInstrument, woodOfPlace, yearPoints } from './chart-points';
import { MonthTable } from './MonthTable';
import { ReadingSheet } from './ReadingSheet';
import { AIR_THREAD_STATES, useMoment, useResidents, useRoutePlace } from './where';
import {
  bandOf,
  BANDS,
  excursions,
  holdOf,
  ranges,
  samplesOf,
  staysAir,
  unpackDay,
  unpackSlot,
  type AirDay,
  type AirHour,
} from '@tembrin/core/air';
import { DAY_MS, HOUR_MS, localDay, MINUTE_MS, startOfLocalDay } from '@tembrin/core/time';
import { rhFromHundredths } from '@tembrin/core/units';
import { Grid, Row, Stack } from '@/ui/layout';
import { TOUCH_CHART } from '@/copy/common';
import { copy } from '@/copy/screens/air/place';

/** Route: one room or case through the year. */
export function PlaceRoute() {
  const air = useRoutePlace();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return air ? <PlaceScreen key={air.place.id} air={air} /> : <Redirect href="/air" />;
}

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

export function PlaceScreen({ air, second }: { air: KnownPlace; second?: boolean }) {
  const { place, record, latest, steady } = air;
  const wide = useWide();
  const moment = useMoment();
  const { nowMs, timeZone } = moment;
  const { lengths, temperatures } = usePreferences();
  const residents = useResidents(place.id);
  const places = usePlaces();
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

  return (
    <Screen
      title={place.name}
      back={wide ? undefined : '/air'}
      second={second}
      aside={
        <IconButton
          icon={Pencil}
          label={`Change ${place.name}`}
          onPress={() => router.push({ pathname: '/air/[place]/change', params: { place: place.id } })}
        />
      }
      foot={
        <Button
          title={copy.whatToDo}
          onPress={() => router.push({ pathname: '/air/[place]/do', params: { place: place.id } })}
        />
      }
    >
      {record.days.length === 0 && record.hours.length === 0 ? (
        <Empty title={copy.nothingReadHereYet} text={copy.readAHygrometerImport}>
          <Button title={copy.readAHygrometer} rank="outline" onPress={() => setReading(true)} start />
        </Empty>
      ) : (
        <Stack gap="half">
          <Grid gap="one" align="baseline">
            <Text kind="figure">{latest ? humidityWords(latest.rh) : '–'}</Text>
            <Text kind="small" tone="quiet">
              {latest
                ? `${latest.tempC === null ? '' : `${temperatureWords(latest.tempC, temperatures)}, `}read ${lastingWords(Math.max(MINUTE_MS, nowMs - latest.at))} ago`
                : ''}
            </Text>
          </Grid>
          <AirChart
            points={points}
            band={bandAt}
            words={pointWords}
            label={copy.aYearOfAir(place.name)}
            ticks={monthTicks(points, timeZone, wide ? 1 : 2)}
            chosen={chosen}
            onChoose={setChosen}
          />
          <Text kind="small" aria-live="polite">
            {point ? pointWords(point) : TOUCH_CHART}
          </Text>
          <ChartKey wood={residentWords} level={year !== null} />
          {residents.length > 1 && (
            <Choice
              label="Whose wood"
              options={residents.map(({ instrument }) => ({ value: instrument.id, title: instrument.name }))}
              value={resident!.instrument.id}
              onChange={setFollowed}
            />
          )}
          <Grid gap="small">
            {earlier && (
              <Button rank="outline" title={copy.theYearBefore} onPress={() => setYearsBack(yearsBack + 1)} />
            )}
            {yearsBack > 0 && (
              <Button rank="outline" title={copy.theYearAfter} onPress={() => setYearsBack(yearsBack - 1)} />
            )}
            <Button
              rank="outline"
              title={asTable ? copy.withoutTheTable : copy.asATable}
              onPress={() => setAsTable(!asTable)}
            />
          </Grid>
          {asTable && <MonthTable points={points} bandAt={bandAt} timeZone={timeZone} />}
          {chosenDay !== null && (
            <DayDetail
              key={chosenDay}
              placeId={place.id}
              day={chosenDay}
              fallback={record.hours}
              wood={wood}
              band={band}
            />
          )}
        </Stack>
      )}
      {residents.length > 0 && (
        <View>
          <Text kind="heading" level={2}>
            {copy.whoLivesHere}
          </Text>
          <View role="list" aria-label={`Instruments in ${place.name}`}>
            {residents.map(({ instrument, verdict }) => (
              <View role="listitem" key={instrument.id}>
                <LinkRow
                  href={{ pathname: '/air/wood/[id]', params: { id: instrument.id } }}
                  label={`${instrument.name}: ${AIR_STATE_NAMES[verdict.state]}. ${verdictSentence(verdict, instrument, moment, lengths)}`}
                >
                  <Row justify="between">
                    <Text kind="strong">{instrument.name}</Text>
                    <StateMark state={AIR_THREAD_STATES[verdict.state]} name={AIR_STATE_NAMES[verdict.state]} />
                  </Row>
                  <Text kind="small" tone="quiet">
                    {verdictSentence(verdict, instrument, moment, lengths)}
                  </Text>
                </LinkRow>
              </View>
            ))}
          </View>
        </View>
      )}
      {month && (
        <Stack gap="small">
          <Text kind="heading" level={2}>
            {copy.theLastThirtyDays}
          </Text>
          <Figures
            rows={[
              [copy.fromLowToHigh, humidityWords(month.daily, 1)],
              [copy.fromLowToHighIn, humidityWords(month.monthly)],
              [copy.greatestChangeWithinH, humidityWords(month.within24h)],
              [copy.hoursInsideTheBand, humidityWords(month.inBand)],
              ['Band', `${Math.round(band.low * 100)} to ${Math.round(band.high * 100)} %, school ${school}`],
              ...(school === 'A' || school === 'B'
                ? ([
                    ['Ideal', `${BANDS[school].ideal.low * 100} to ${Math.round(BANDS[school].ideal.high * 100)} %`],
                  ] as const)
                : []),
            ]}
          />
        </Stack>
      )}
      {outs.length > 0 && (
        <Stack gap="hair">
          <Text kind="heading" level={2}>
            {copy.outsideTheBand}
          </Text>
          {outs.map(({ from, to, side, kind, worst, ongoing }) => (
            <Text key={from} kind="small">
              {`${ongoing ? 'Since' : 'From'} ${dateWords(from, nowMs, timeZone)}${ongoing ? '' : ` for ${lastingWords(to - from)}`}: ${side}, ${kind}${kind === 'brief' ? copy.harmlessByItself : ''}; worst ${humidityWords(worst)}.`}
            </Text>
          ))}
        </Stack>
      )}
      {reading && <ReadingSheet onClose={() => setReading(false)} placeId={place.id} />}
    </Screen>
  );
}

interface DayDetailProps {
  placeId: string;
  day: number;
  /** Hours kept on this device, until the server's finer ones are there. */
  fallback: readonly AirHour[];
  wood: (atMs: number) => number | null;
  band: { low: number; high: number };
}

/** One day in steps of ten minutes. */
function DayDetail({ placeId, day, fallback, wood, band }: DayDetailProps) {
  const { nowMs, timeZone } = useMoment();
  const [fine, setFine] = useState<readonly AirHour[] | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  useEffect(() => {
    let gone = false;
    call('readDay', { params: { id: placeId }, query: { day } })
      .then(({ slots }) => !gone && setFine(slots.map(unpackSlot)))
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [placeId, day]);
  const from = startOfLocalDay(day, timeZone);
  const to = startOfLocalDay(day + 1, timeZone);
  const samples = fine ?? fallback.filter(({ at }) => at >= from && at < to);
  if (samples.length < 3) return null;
  const points = dayPoints(samples, 3 * HOUR_MS, wood);
  const words = ({ at, air }: AirPoint) =>
    air ? `${clockWords(at, timeZone)}: ${humidityWords(air.rh, 1)}` : `${clockWords(at, timeZone)}: nothing read`;
  const ticks = [6, 12, 18].map((hour) => ({
    at: from + (hour / 24) * DAY_MS,
    text: `${String(hour).padStart(2, '0')}:00`,
  }));
  const point = chosen === null ? null : points[Math.min(chosen, points.length - 1)];
  return (
    <Stack gap="small">
      <Text kind="strong" level={2}>
        {dateWords(from + DAY_MS / 2, nowMs, timeZone)}
      </Text>
      <AirChart
        points={points}
        band={() => band}
        words={words}
        label={copy.hourByHour(from + DAY_MS / 2, nowMs, timeZone)}
        ticks={ticks}
        chosen={chosen}
        onChoose={setChosen}
        tall={150}
      />
      <Text kind="small" tone="quiet">
        {point ? words(point) : copy.touchItToRead}
      </Text>
    </Stack>
  );
}
