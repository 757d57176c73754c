import type { Instrument } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useMemo, useState } from 'react';
import { useAir } from '@/state/air';
import { useAssessment, usePlaces } from '@/state/assessments';
import { usePreferences } from '@/state/preferences';
import { AirChart, type AirPoint } from '@/ui/AirChart';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Figures } from '@/ui/Figures';
import { Plank } from '@/ui/Plank';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { Text } from '@/ui/Text';
import { AIR_RULE, AIR_STATE_NAMES, effectsWords, verdictFigures, verdictSentence, woodPartName } from '@/copy/air';
import { dateWords } from '@/copy/dates';
import { humidityWords } from '@/copy/measures';
import { useRouteInstrument } from '../kit/route-instrument';
import { ChartKey } from './ChartWords';
import { woodOfInstrument, yearPoints } from './chart-points';
import { MoveSheet } from './MoveSheet';
import { AIR_THREAD_STATES, livesIn, useMoment } from './where';
import { DAY_MS, localDay, MINUTE_MS, WEEK_MS } from '@tembrin/core/time';
import { recordOf } from '@tembrin/core/instruments';
import { samplesOf, staysAir } from '@tembrin/core/air';
import { Row, Stack } from '@/ui/layout';
import { TOUCH_CHART } from '@/copy/common';
import { copy } from '@/copy/screens/air/wood';

/** Route: what the air has done to one instrument's wood. */
export function WoodRoute() {
  const instrument = useRouteInstrument();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return instrument ? <Wood key={instrument.id} instrument={instrument} /> : <Redirect href="/air" />;
}

const WEEKS_SHOWN = 13;
const TEN_MINUTES_MS = 10 * MINUTE_MS;

function Wood({ instrument }: { instrument: Instrument }) {
  const { log, air } = useAssessment(instrument);
  const places = usePlaces();
  const { lengths } = usePreferences();
  const moment = useMoment();
  const { nowMs, timeZone } = moment;
  const [moving, setMoving] = useState(false);
  const [chosen, setChosen] = useState<number | null>(null);
  const { verdict } = air!;
  const home = livesIn(log);
  const place = home?.placeId ? places.get(home.placeId) : undefined;
  const minute = Math.floor(nowMs / TEN_MINUTES_MS);
  const stays = useMemo(() => staysAir(log, places), [log, places]);
  const points = useMemo(() => {
    const today = localDay(nowMs, timeZone);
    const wood = woodOfInstrument(instrument, stays, minute * TEN_MINUTES_MS);
    const days = new Map(
      stays.flatMap(({ stay }) => {
        const record = stay.airOf ? places.get(stay.airOf)?.record : undefined;
        return (record?.days ?? [])
          .filter(({ at }) => at + DAY_MS > stay.from && at < stay.to)
          .map((day) => [day.day, day] as const);
      }),
    );
    return yearPoints([...days.values()], new Map(), today - WEEKS_SHOWN * 7, today + 1, timeZone, wood);
    // By the ten minutes: the wood is slower than that.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [instrument, stays, places, timeZone, minute]);
  const away = verdict.body !== null && log.sessions.length > 0 ? nowMs - log.sessions.at(-1)!.beganAt : 0;
  const reliefFirst = recordOf(instrument.family).fretted && away >= WEEK_MS;
  const words = ({ at, air: day, wood }: AirPoint) =>
    `${dateWords(at, nowMs, timeZone)}: ${day ? `air ${humidityWords(day.low)} to ${humidityWords(day.high)}` : 'nothing read'}${wood === null ? '' : copy.woodStandsAt(wood)}`;
  const point = chosen === null ? null : points[chosen];
  const ticks = [0, 4, 8, 12].map((week) => {
    const each = points[week * 7 + 3];
    return { at: each?.at ?? week, text: each ? dateWords(each.at, nowMs, timeZone) : '' };
  });
  const where = place
    ? `Lives in ${place.place.name}${home!.cased && place.place.kind === 'room' ? copy.inItsCase : ''}.`
    : home?.placeId === null
      ? copy.awayFromHome
      : home
        ? copy.thePlaceItLived
        : copy.nobodyHasSaidWhere;
  const canDo = place !== undefined && samplesOf(place.record).length > 0;
  return (
    <Screen
      title={instrument.name}
      back="/air"
      aside={<StateMark state={AIR_THREAD_STATES[verdict.state]} name={AIR_STATE_NAMES[verdict.state]} />}
      foot={
        canDo ? (
          <Button
            title={copy.whatToDo}
            onPress={() => router.push({ pathname: '/air/[place]/do', params: { place: place.place.id } })}
          />
        ) : (
          <Button title={copy.sayWhereItLives} onPress={() => setMoving(true)} />
        )
      }
    >
      <Stack gap="half">
        {verdict.body && (
          <Row gap="one" align="center">
            <Text kind="figure">{humidityWords(verdict.body.restRh)}</Text>
            <Plank
              restRh={verdict.body.restRh}
              band={verdict.band}
              tone={AIR_THREAD_STATES[verdict.state] === 'unknown' ? 'quiet' : TONES[verdict.state]}
              label={copy.standsWhereWouldHold(woodPartName(verdict.body.part.id, instrument), verdict.body.restRh)}
              width={190}
              height={60}
            />
          </Row>
        )}
        <Text>{verdictSentence(verdict, instrument, moment, lengths)}</Text>
      </Stack>
      {reliefFirst && (
        <Banner tone="soon" text={copy.notPlayedSinceIf(nowMs - away, nowMs, timeZone)}>
          <Button
            rank="plain"
            title={copy.measureTheRelief}
            onPress={() => router.push({ pathname: '/kit/[id]/set-up', params: { id: instrument.id } })}
            start
            flush
          />
        </Banner>
      )}
      {verdict.body && (
        <Stack gap="half">
          <AirChart
            points={points}
            band={() => verdict.band}
            words={words}
            label={copy.thirteenWeeksOfAir(instrument.name)}
            ticks={ticks}
            chosen={chosen}
            onChoose={setChosen}
            tall={200}
          />
          <Text kind="small" aria-live="polite">
            {point ? words(point) : TOUCH_CHART}
          </Text>
          <ChartKey wood="its wood" level={false} />
        </Stack>
      )}
      <LinkRow
        href={
          place
            ? { pathname: '/air/[place]', params: { place: place.place.id } }
            : { pathname: '/air/wood/[id]', params: { id: instrument.id } }
        }
        label={where}
      >
        <Text kind="strong">{where}</Text>
        {verdict.cased && (
          <Text kind="small" tone="quiet">
            {copy.theClosedCaseSlows}
          </Text>
        )}
      </LinkRow>
      <Button
        rank="outline"
        title={home ? 'It moves' : copy.sayWhereItLives}
        label={home ? copy.movesToAnotherPlace(instrument.name) : copy.sayWhereLives(instrument.name)}
        onPress={() => setMoving(true)}
        start
      />
      {verdict.parts.length > 0 && (
        <Stack gap="small">
          <Text kind="heading" level={2}>
            Its parts
          </Text>
          {verdict.parts.map(({ part, restRh, mm, moisture }) => (
            <Row key={part.id} gap="one" align="center">
              <Plank
                restRh={restRh}
                band={verdict.band}
                tone={restRh < verdict.band.low || restRh > verdict.band.high ? 'now' : 'well'}
                label={`${woodPartName(part.id, instrument)} stands at ${humidityWords(restRh)}`}
                width={104}
                height={36}
              />
              <Stack grow>
                <Text kind="smallStrong">{woodPartName(part.id, instrument)}</Text>
                <Text kind="small" tone="quiet">
                  {copy.ofMmWater({ mm, lengths, widthMm: part.widthMm, waterPercent: (moisture * 100).toFixed(1) })}
                </Text>
              </Stack>
            </Row>
          ))}
          {verdict.effects.length > 0 && <Text>{copy.itMayShowAs(effectsWords(verdict.effects))}</Text>}
        </Stack>
      )}
      <Stack gap="small">
        <Text kind="heading" level={2}>
          The working
        </Text>
        <Figures rows={verdictFigures(verdict, instrument, moment, lengths)} />
        <Text kind="small" tone="quiet">
          {AIR_RULE}
        </Text>
        <Text kind="small" tone="quiet">
          {copy.chooseUnderSchoolsTembrin(verdict)}
        </Text>
      </Stack>
      {moving && <MoveSheet instrument={instrument} home={home} onClose={() => setMoving(false)} />}
    </Screen>
  );
}

const TONES = { fine: 'well', watch: 'soon', act: 'now', unknown: 'quiet' } as const;
