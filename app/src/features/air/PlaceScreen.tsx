import { Redirect, router } from 'expo-router';
import Pencil from 'lucide-react-native/icons/pencil';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { call } from '@/state/api';
import { useAir } from '@/state/air';
import { type KnownPlace } from '@/state/places';
import { AirChart, type AirPoint } from '@/ui/AirChart';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { Figures } from '@/ui/Figures';
import { IconButton } from '@/ui/IconButton';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { Text } from '@/ui/Text';
import { bandWords, verdictSentence } from '@/copy/air';
import { AIR_STATE_NAMES } from '@/copy/air-working';
import { clockWords, dateWords, hourWords, lastingWords } from '@/copy/dates';
import { humidityWords, temperatureWords } from '@/copy/measures';
import { ChartKey } from './ChartWords';
import { dayPoints, monthTicks } from './chart-points';
import { MonthTable } from './MonthTable';
import { ReadingSheet } from './ReadingSheet';
import { AIR_THREAD_STATES, useMoment, useRoutePlace } from './where';
import { BANDS, unpackSlot, type AirHour } from '@tembrin/core/air';
import { DAY_MS, HOUR_MS, MINUTE_MS, startOfLocalDay } from '@tembrin/core/time';
import { Grid, Row, Stack } from '@/ui/layout';
import { TOUCH_CHART } from '@/copy/common';
import { copy } from '@/copy/screens/air/place';
import { usePlace, type PlaceModel } from './use-place';

/** Route: one room or case through the year. */
export function PlaceRoute() {
  const air = useRoutePlace();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return air ? <PlaceScreen key={air.place.id} air={air} /> : <Redirect href="/air" />;
}

export function PlaceScreen({ air, second }: { air: KnownPlace; second?: boolean }) {
  const model = usePlace(air);
  const { place, wide, reading, setReading } = model;

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
      <YearOfAir model={model} />
      <Residents model={model} />
      <LastMonth model={model} />
      <OutsideBand model={model} />
      {reading && <ReadingSheet onClose={() => setReading(false)} placeId={place.id} />}
    </Screen>
  );
}

/** The year’s chart, or that nothing was read. */
function YearOfAir({ model }: { model: PlaceModel }) {
  const {
    record,
    setReading,
    latest,
    temperatures,
    nowMs,
    points,
    bandAt,
    pointWords,
    place,
    timeZone,
    wide,
    chosen,
    setChosen,
    point,
    residentWords,
    year,
    residents,
    resident,
    setFollowed,
    asTable,
    chosenDay,
    wood,
    band,
  } = model;
  return record.days.length === 0 && record.hours.length === 0 ? (
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
      <Views model={model} />
      {asTable && <MonthTable points={points} bandAt={bandAt} timeZone={timeZone} />}
      {chosenDay !== null && (
        <DayDetail key={chosenDay} placeId={place.id} day={chosenDay} fallback={record.hours} wood={wood} band={band} />
      )}
    </Stack>
  );
}

/** Other years, and the same as a table. */
function Views({ model }: { model: PlaceModel }) {
  const { earlier, setYearsBack, yearsBack, asTable, setAsTable } = model;
  return (
    <Grid gap="small">
      {earlier && <Button rank="outline" title={copy.theYearBefore} onPress={() => setYearsBack(yearsBack + 1)} />}
      {yearsBack > 0 && <Button rank="outline" title={copy.theYearAfter} onPress={() => setYearsBack(yearsBack - 1)} />}
      <Button
        rank="outline"
        title={asTable ? copy.withoutTheTable : copy.asATable}
        onPress={() => setAsTable(!asTable)}
      />
    </Grid>
  );
}

function Residents({ model }: { model: PlaceModel }) {
  const { residents, place, moment, lengths } = model;
  if (!(residents.length > 0)) return null;
  return (
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
  );
}

function LastMonth({ model }: { model: PlaceModel }) {
  const { month, band, school } = model;
  if (!month) return null;
  return (
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
          ['Band', `${bandWords(band)}, school ${school}`],
          ...(school === 'A' || school === 'B' ? ([['Ideal', bandWords(BANDS[school].ideal)]] as const) : []),
        ]}
      />
    </Stack>
  );
}

function OutsideBand({ model }: { model: PlaceModel }) {
  const { outs, nowMs, timeZone } = model;
  if (!(outs.length > 0)) return null;
  return (
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
    text: hourWords(hour),
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
