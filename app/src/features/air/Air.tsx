import { barePlateRestRh } from '@tembrin/core/air';
import { router } from 'expo-router';
import { View } from 'react-native';
import { type KnownPlace } from '@/state/places';
import { usePreferences } from '@/state/preferences';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { Plank } from '@/ui/Plank';
import { useMay } from '@/state/people';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { Text } from '@/ui/Text';
import { AIR_STATE_NAMES, faultWords, quietWords } from '@/copy/air-working';
import { dayWords, lastingWords } from '@/copy/dates';
import { humidityWords, temperatureWords } from '@/copy/measures';
import { listWords } from '@/copy/lists';
import { PlaceScreen } from './PlaceScreen';
import { ReadingSheet } from './ReadingSheet';
import { AIR_THREAD_STATES, useMoment, useResidents } from './where';
import { BANDS } from '@tembrin/core/air';
import { DAY_MS, MINUTE_MS } from '@tembrin/core/time';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/air/air';
import { Filling } from '../Filling';
import { useAirView, type AirModel } from './use-air-view';

/** The rooms and cases of the household, and what their air does to the wood in them. */
export function Air({ chosen }: { chosen?: string }) {
  const model = useAirView({ chosen });
  const { air, reached, unsent, wide, moment, reading, setReading, add, list, read, faults, shown } = model;
  const may = useMay('arrange');
  const screen = (
    <Screen
      title="Air"
      foot={
        list.length > 0 ? (
          <Button title={copy.readAHygrometer} onPress={read} hotkey="r" />
        ) : (
          air && may && <Button title={copy.addARoom} onPress={add} hotkey="a" />
        )
      }
    >
      <Filling />
      {!air && <Text tone="quiet">{reached ? copy.fetchingTheAir : copy.outOfReachAnd}</Text>}
      {air && !reached && <Banner tone="soon" text={copy.outOfReachThis(unsent.length)} />}
      {air && list.length === 0 && <Empty title={copy.noRoomsYet} text={copy.sayInWhichRoom} />}
      {faults.map(({ sensor, fault }) => (
        <Banner key={sensor.id + fault.code} tone="soon" text={`${sensor.name}: ${faultWords(fault, moment)}`}>
          <Button
            rank="plain"
            title={copy.lookAtIt}
            label={`${copy.lookAtIt}: ${sensor.name}`}
            onPress={() => router.push({ pathname: '/air/hygrometers/[sensor]', params: { sensor: sensor.id } })}
            start
            flush
          />
        </Banner>
      ))}
      {list.length > 0 && (
        <View role="list" aria-label={copy.roomsAndCases}>
          {list.map((each) => (
            <PlaceRow key={each.place.id} air={each} chosen={chosen === each.place.id} />
          ))}
        </View>
      )}
      <More model={model} />
      {reading && <ReadingSheet onClose={() => setReading(false)} placeId={wide ? (chosen ?? null) : null} />}
    </Screen>
  );
  if (!wide) return screen;
  return (
    <Row grow>
      <Stack grow={4}>{screen}</Stack>
      <Stack grow={5} rule="left">
        {shown && <PlaceScreen key={shown.place.id} air={shown} second />}
      </Stack>
    </Row>
  );
}

function More({ model }: { model: AirModel }) {
  const { air, list, add } = model;
  const may = useMay('arrange');
  if (!air) return null;
  return (
    <View>
      <LinkRow
        href="/air/hygrometers"
        title="Hygrometers"
        text={air.sensors.length === 0 ? copy.noneYetOneRead : copy.onRecordSaltCheck(air.sensors.length)}
      />
      <LinkRow href="/air/keeping" title={copy.onTheWayAndLeft} text={copy.carColdSunAnd} />
      <LinkRow href="/air/moving" title={copy.movingBetweenClimates} text={copy.fromDryToDamp} />
      {may && list.length > 0 && <Button rank="plain" title={copy.addARoomOr} onPress={add} start flush />}
    </View>
  );
}

function PlaceRow({ air, chosen }: { air: KnownPlace; chosen: boolean }) {
  const moment = useMoment();
  const { nowMs, timeZone } = moment;
  const temperatures = usePreferences((state) => state.temperatures);
  const { place, latest } = air;
  const residents = useResidents(place.id);
  const worst = residents[0]?.verdict ?? null;
  const state = worst?.state ?? 'unknown';
  const plank = worst?.body?.restRh ?? barePlateRestRh(air.record, nowMs);
  const acting = residents.filter(({ verdict }) => verdict.state === 'act').map(({ instrument }) => instrument.name);
  const watched = residents.filter(({ verdict }) => verdict.state === 'watch').map(({ instrument }) => instrument.name);
  const who =
    residents.length === 0
      ? copy.noInstrumentLivesHere
      : [
          acting.length > 0 ? copy.actTodayFor(listWords(acting)) : '',
          watched.length > 0 ? `Watch ${listWords(watched)}.` : '',
          acting.length + watched.length === 0
            ? quietWords(
                residents.map(({ instrument }) => instrument.name),
                state === 'fine',
              )
            : '',
        ]
          .filter(Boolean)
          .join(' ');
  const read = latest
    ? `${latest.tempC === null ? 'Read' : `${temperatureWords(latest.tempC, temperatures, 0)}, read`} ${nowMs - latest.at < DAY_MS ? `${lastingWords(Math.max(MINUTE_MS, nowMs - latest.at))} ago` : dayWords(latest.at, nowMs, timeZone)}`
    : copy.nothingReadYet;
  return (
    <View role="listitem">
      <LinkRow
        href={{ pathname: '/air/[place]', params: { place: place.id } }}
        chosen={chosen}
        label={`${place.name}${residents.length > 0 ? `: ${AIR_STATE_NAMES[state]}` : ''}. ${latest ? humidityWords(latest.rh) : '–'}. ${who} ${read}.`}
      >
        <Row align="center" justify="between">
          <Text kind="heading">{place.name}</Text>
          {residents.length > 0 && <StateMark state={AIR_THREAD_STATES[state]} name={AIR_STATE_NAMES[state]} />}
        </Row>
        <Row gap="one" align="center">
          <Text kind="huge" minWidth={92}>
            {latest ? humidityWords(latest.rh) : '–'}
          </Text>
          <Stack aria-hidden align="end" grow>
            <Plank
              restRh={plank}
              band={worst?.band ?? BANDS.A.acceptable}
              tone={PLANK_TONES[state]}
              label={plank === null ? copy.theWoodHereIs : copy.woodHereStandsWhere(plank)}
            />
          </Stack>
        </Row>
        <Text kind="small" tone="quiet">
          {who}
        </Text>
        <Text kind="tiny" tone="quiet">
          {read}
        </Text>
      </LinkRow>
    </View>
  );
}

const PLANK_TONES = { fine: 'well', watch: 'soon', act: 'now', unknown: 'quiet' } as const;
