import { DAY_MS, localDay, samplesOf } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useAir } from '@/state/air';
import { useJudged, usePlaces } from '@/state/condition';
import { staysAir } from '@tembrin/contract';
import { useLook } from '@/state/look';
import { AirChart, type AirPoint } from '@/ui/AirChart';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Figures } from '@/ui/Figures';
import { Plank } from '@/ui/Plank';
import { Row } from '@/ui/Row';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { GAP } from '@/ui/theme';
import { Words } from '@/ui/Words';
import {
  AIR_RULE,
  AIR_STATE_NAMES,
  airSchoolWords,
  effectsWords,
  verdictFigures,
  verdictSentence,
  woodPartName,
} from '@/words/air';
import { dateWords, dayWords } from '@/words/dates';
import { humidityWords, movementWords } from '@/words/measures';
import { useRouteInstrument } from '../kit/route';
import { ChartKey } from './ChartWords';
import { woodOfInstrument, yearPoints } from './chart-points';
import { MoveSheet } from './MoveSheet';
import { AIR_THREAD_STATES, livesIn, useMoment } from './where';

/** Route: what the air has done to one instrument's wood. */
export function WoodRoute() {
  const instrument = useRouteInstrument();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return instrument ? <Wood key={instrument.id} instrument={instrument} /> : <Redirect href="/air" />;
}

const WEEKS_SHOWN = 13;

function Wood({ instrument }: { instrument: Instrument }) {
  const { log, condition } = useJudged(instrument);
  const places = usePlaces();
  const { lengths } = useLook();
  const moment = useMoment();
  const { nowMs, timeZone } = moment;
  const [moving, setMoving] = useState(false);
  const [chosen, setChosen] = useState<number | null>(null);
  const { verdict } = condition.air!;
  const home = livesIn(log);
  const place = home?.placeId ? places.get(home.placeId) : undefined;
  const minute = Math.floor(nowMs / 600_000);
  const air = useMemo(() => staysAir(log, places), [log, places]);
  const points = useMemo(() => {
    const today = localDay(nowMs, timeZone);
    const wood = woodOfInstrument(instrument, air, minute * 600_000);
    const days = new Map(
      air.flatMap(({ stay }) => {
        const record = stay.airOf ? places.get(stay.airOf)?.record : undefined;
        return (record?.days ?? [])
          .filter(({ at }) => at + DAY_MS > stay.from && at < stay.to)
          .map((day) => [day.day, day] as const);
      }),
    );
    return yearPoints([...days.values()], new Map(), today - WEEKS_SHOWN * 7, today + 1, timeZone, wood);
    // By the ten minutes: the wood is slower than that.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [instrument, air, places, timeZone, minute]);
  const away = verdict.body !== null && log.sessions.length > 0 ? nowMs - log.sessions.at(-1)!.beganAt : 0;
  const reliefFirst = instrument.family === 'guitar' && away >= 7 * DAY_MS;
  const words = ({ at, air: day, wood }: AirPoint) =>
    `${dateWords(at, nowMs, timeZone)}: ${day ? `air ${humidityWords(day.low)} to ${humidityWords(day.high)}` : 'nothing read'}${wood === null ? '' : `; wood stands at ${humidityWords(wood)}`}`;
  const point = chosen === null ? null : points[chosen];
  const ticks = [0, 4, 8, 12].map((week) => {
    const each = points[week * 7 + 3];
    return { at: each?.at ?? week, text: each ? dateWords(each.at, nowMs, timeZone) : '' };
  });
  const where = place
    ? `Lives in ${place.place.name}${home!.cased && place.place.kind === 'room' ? ', in its case' : ''}.`
    : home?.placeId === null
      ? 'Away from home.'
      : home
        ? 'The place it lived in was removed.'
        : 'Nobody has said where it lives.';
  const canDo = place !== undefined && samplesOf(place.record).length > 0;
  return (
    <Screen
      title={instrument.name}
      back="/air"
      aside={<StateMark state={AIR_THREAD_STATES[verdict.state]} name={AIR_STATE_NAMES[verdict.state]} />}
      foot={
        canDo ? (
          <Button
            title="What to do"
            onPress={() => router.push({ pathname: '/air/[place]/do', params: { place: place.place.id } })}
          />
        ) : (
          <Button title="Say where it lives" onPress={() => setMoving(true)} />
        )
      }
    >
      <View style={{ gap: GAP.half }}>
        {verdict.body && (
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: GAP.one }}>
            <Words kind="figure">{humidityWords(verdict.body.restRh)}</Words>
            <Plank
              restRh={verdict.body.restRh}
              band={verdict.band}
              tone={AIR_THREAD_STATES[verdict.state] === 'unknown' ? 'quiet' : TONES[verdict.state]}
              label={`${woodPartName(verdict.body.part.id, instrument)}: stands where ${humidityWords(verdict.body.restRh)} would hold it`}
              width={190}
              height={60}
            />
          </View>
        )}
        <Words>{verdictSentence(verdict, instrument, moment, lengths)}</Words>
      </View>
      {reliefFirst && (
        <Banner
          tone="soon"
          text={`Not played since ${dayWords(nowMs - away, nowMs, timeZone).replace('on ', '')}. If it plays differently now, look at the neck relief first: the neck moves while it lies.`}
        >
          <Button
            rank="plain"
            title="Measure the relief"
            onPress={() => router.push({ pathname: '/kit/[id]/set-up', params: { id: instrument.id } })}
            style={{ alignSelf: 'flex-start', marginLeft: -GAP.small }}
          />
        </Banner>
      )}
      {verdict.body && (
        <View style={{ gap: GAP.half }}>
          <AirChart
            points={points}
            band={() => verdict.band}
            words={words}
            label={`Thirteen weeks of air and wood of ${instrument.name}`}
            ticks={ticks}
            chosen={chosen}
            onChoose={setChosen}
            tall={200}
          />
          <Words kind="small" aria-live="polite">
            {point ? words(point) : 'Touch the chart to read a day.'}
          </Words>
          <ChartKey wood="its wood" level={false} />
        </View>
      )}
      <Row
        href={
          place
            ? { pathname: '/air/[place]', params: { place: place.place.id } }
            : { pathname: '/air/wood/[id]', params: { id: instrument.id } }
        }
        label={where}
      >
        <Words kind="strong">{where}</Words>
        {verdict.cased && (
          <Words kind="small" tone="quiet">
            The closed case slows the air: its wood follows in one to two weeks.
          </Words>
        )}
      </Row>
      <Button
        rank="outline"
        title={home ? 'It moves' : 'Say where it lives'}
        label={home ? `${instrument.name} moves to another place` : `Say where ${instrument.name} lives`}
        onPress={() => setMoving(true)}
        style={{ alignSelf: 'flex-start' }}
      />
      {verdict.parts.length > 0 && (
        <View style={{ gap: GAP.small }}>
          <Words kind="heading" level={2}>
            Its parts
          </Words>
          {verdict.parts.map(({ part, restRh, mm, moisture }) => (
            <View key={part.id} style={{ flexDirection: 'row', alignItems: 'center', gap: GAP.one }}>
              <Plank
                restRh={restRh}
                band={verdict.band}
                tone={restRh < verdict.band.low || restRh > verdict.band.high ? 'now' : 'well'}
                label={`${woodPartName(part.id, instrument)} stands at ${humidityWords(restRh)}`}
                width={104}
                height={36}
              />
              <View style={{ flex: 1 }}>
                <Words kind="smallStrong">{woodPartName(part.id, instrument)}</Words>
                <Words kind="small" tone="quiet">
                  {`${movementWords(mm, lengths)} of ${part.widthMm} mm; ${(moisture * 100).toFixed(1)} % water`}
                </Words>
              </View>
            </View>
          ))}
          {verdict.effects.length > 0 && <Words>{`It may show as ${effectsWords(verdict.effects)}.`}</Words>}
        </View>
      )}
      <View style={{ gap: GAP.small }}>
        <Words kind="heading" level={2}>
          The working
        </Words>
        <Figures rows={verdictFigures(verdict, instrument, moment, lengths)} />
        <Words kind="small" tone="quiet">
          {AIR_RULE}
        </Words>
        <Words kind="small" tone="quiet">
          {`${airSchoolWords(verdict)} Choose under Schools. Tembrin advises; cracks and open seams are a luthier’s.`}
        </Words>
      </View>
      {moving && <MoveSheet instrument={instrument} home={home} onClose={() => setMoving(false)} />}
    </Screen>
  );
}

const TONES = { fine: 'well', watch: 'soon', act: 'now', unknown: 'quiet' } as const;
