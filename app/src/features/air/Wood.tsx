import { fixed } from '@/copy/numbers';
import type { Instrument } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useAir } from '@/state/air';
import { AirChart } from '@/ui/AirChart';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Figures } from '@/ui/Figures';
import { Plank } from '@/ui/Plank';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { Text } from '@/ui/Text';
import { effectsWords, verdictSentence, woodPartName } from '@/copy/air';
import { AIR_STATE_NAMES, airRule, verdictFigures } from '@/copy/air-working';
import { humidityWords } from '@/copy/measures';
import { useRouteInstrument } from '../kit/route-instrument';
import { JobLink } from '../JobLink';
import { ChartKey } from './ChartWords';
import { MoveSheet } from './MoveSheet';
import { AIR_THREAD_STATES } from './where';
import { Row, Stack } from '@/ui/layout';
import { jobsForAir } from '@tembrin/core/instruments';
import { TOUCH_CHART } from '@/copy/common';
import { copy } from '@/copy/screens/air/wood';
import { useWood, type WoodModel } from './use-wood';

/** Route: what the air has done to one instrument's wood. */
export function WoodRoute() {
  const instrument = useRouteInstrument();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return instrument ? <Wood key={instrument.id} instrument={instrument} /> : <Redirect href="/air" />;
}

function Wood({ instrument }: { instrument: Instrument }) {
  const model = useWood(instrument);
  const { nowMs, timeZone, moving, setMoving, verdict, home, place, playedAt, reliefFirst, where, canDo } = model;
  return (
    <Screen
      title={instrument.name}
      back="/air"
      aside={<StateMark state={AIR_THREAD_STATES[verdict.state]} name={AIR_STATE_NAMES[verdict.state]} />}
      foot={
        place && canDo ? (
          <Button
            title={copy.whatToDo}
            onPress={() => router.push({ pathname: '/air/[place]/do', params: { place: place.place.id } })}
          />
        ) : (
          <Button title={copy.sayWhereItLives} onPress={() => setMoving(true)} />
        )
      }
    >
      <Level model={model} />
      {reliefFirst && (
        <Banner tone="soon" text={copy.notPlayedSinceIf(playedAt, nowMs, timeZone)}>
          <Button
            rank="plain"
            title={copy.measureTheRelief}
            onPress={() => router.push({ pathname: '/kit/[id]/set-up', params: { id: instrument.id } })}
            start
            flush
          />
        </Banner>
      )}
      <Chart model={model} />
      <LinkRow
        href={
          place
            ? { pathname: '/air/[place]', params: { place: place.place.id } }
            : { pathname: '/air/wood/[id]', params: { id: instrument.id } }
        }
        label={verdict.cased ? `${where}. ${copy.theClosedCaseSlows}` : where}
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
      <Parts model={model} />
      <Working model={model} />
      {verdict.state === 'act' &&
        verdict.side &&
        jobsForAir(instrument.family, verdict.side).map((job) => (
          <JobLink key={job} job={job} instrumentId={instrument.id} />
        ))}
      {moving && <MoveSheet instrument={instrument} home={home} onClose={() => setMoving(false)} />}
    </Screen>
  );
}

/** Where the wood stands, in a figure and a sentence. */
function Level({ model }: { model: WoodModel }) {
  const { verdict, instrument, moment, lengths } = model;
  return (
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
  );
}

function Chart({ model }: { model: WoodModel }) {
  const { verdict, points, words, instrument, ticks, chosen, setChosen, point } = model;
  if (!verdict.body) return null;
  return (
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
  );
}

function Parts({ model }: { model: WoodModel }) {
  const { verdict, instrument, lengths } = model;
  if (!(verdict.parts.length > 0)) return null;
  return (
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
              {copy.ofMmWater({ mm, lengths, widthMm: part.widthMm, waterPercent: fixed(moisture * 100, 1) })}
            </Text>
          </Stack>
        </Row>
      ))}
      {verdict.effects.length > 0 && <Text>{copy.itMayShowAs(effectsWords(verdict.effects))}</Text>}
    </Stack>
  );
}

/** The figures behind the verdict. */
function Working({ model }: { model: WoodModel }) {
  const { verdict, instrument, moment, lengths } = model;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        The working
      </Text>
      <Figures rows={verdictFigures(verdict, instrument, moment, lengths)} />
      <Text kind="small" tone="quiet">
        {airRule()}
      </Text>
      <Text kind="small" tone="quiet">
        {copy.chooseUnderSchoolsTembrin(verdict)}
      </Text>
    </Stack>
  );
}

const TONES = { fine: 'well', watch: 'soon', act: 'now', unknown: 'quiet' } as const;
