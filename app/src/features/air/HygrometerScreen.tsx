import type { ResponseOf, Sensor } from '@tembrin/contract';
import { API_ROOT } from '@tembrin/contract/operations/operation';
import { Redirect, router } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { changeAir, refreshAir, useAir } from '@/state/air';
import { call } from '@/state/api';
import { usePreferences } from '@/state/preferences';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { faultWords } from '@/copy/air-working';
import { clockWords, dayWords } from '@/copy/dates';
import { humidityWords, temperatureWords } from '@/copy/measures';
import { useFreshKeys } from './fresh-keys';
import { truthWords } from './Hygrometers';
import { SENSOR_KIND_NAMES } from '@/copy/screens/air/hygrometers';
import { ReadingSheet } from './ReadingSheet';
import { useMoment, useRouteSensor } from './where';
import { celsiusFromHundredths, rhFromHundredths } from '@tembrin/core/units';
import { SALTS } from '@tembrin/core/air';
import { SECOND_MS } from '@tembrin/core/time';
import { Grid, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/air/hygrometer';
import { useHygrometer, type HygrometerModel } from './use-hygrometer';

/** Route: one hygrometer: what it showed, whether it is right, how its readings come in. */
export function HygrometerRoute() {
  const sensor = useRouteSensor();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return sensor ? <HygrometerScreen key={sensor.id} sensor={sensor} /> : <Redirect href="/air/hygrometers" />;
}

function HygrometerScreen({ sensor }: { sensor: Sensor }) {
  const model = useHygrometer({ sensor });
  const { places, moment, problem, reading, setReading, setRemoving, params, attempt } = model;
  return (
    <Screen
      title={sensor.name}
      back="/air/hygrometers"
      foot={
        sensor.kind === 'hand' ? (
          <Button title="Read it" onPress={() => setReading(true)} />
        ) : sensor.kind === 'logger' ? (
          <Button
            title={copy.importAFile}
            onPress={() => router.push({ pathname: '/air/hygrometers/import', params: { sensor: sensor.id } })}
          />
        ) : undefined
      }
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      {sensor.faults.map((fault) => (
        <Banner key={fault.code} tone="soon" text={faultWords(fault, moment)} />
      ))}
      <Facts model={model} />
      {sensor.kind === 'hand' && sensor.readings > 0 && <LastReadings sensor={sensor} attempt={attempt} />}
      {sensor.kind === 'post' && <Sending sensor={sensor} attempt={attempt} />}
      <Truth model={model} />
      <Choice
        label={copy.whereItHangs}
        hint={copy.whatItReadStays}
        options={places.map(({ id, name }) => ({ value: id, title: name }))}
        value={sensor.placeId}
        onChange={(placeId) =>
          void attempt(
            () => changeAir('changeSensor', { params, version: sensor.version, body: { name: sensor.name, placeId } }),
            copy.fromTheNextHour,
          )
        }
      />
      {sensor.kind === 'hand' && (
        <Button
          rank="outline"
          title={copy.importAFile}
          onPress={() => router.push({ pathname: '/air/hygrometers/import', params: { sensor: sensor.id } })}
          start
        />
      )}
      <Button rank="plain" title={copy.removeThisHygrometer} onPress={() => setRemoving(true)} start flush />
      {reading && <ReadingSheet onClose={() => setReading(false)} placeId={sensor.placeId} />}
      <Removing model={model} />
    </Screen>
  );
}

function Facts({ model }: { model: HygrometerModel }) {
  const { sensor, lastWords, nowMs, timeZone, drift } = model;
  return (
    <Figures
      rows={[
        ['Kind', SENSOR_KIND_NAMES[sensor.kind]],
        ['Last shown', sensor.last ? lastWords(sensor.last) : 'nothing yet'],
        ['Readings', String(sensor.readings)],
        ['Truth', truthWords(sensor, nowMs, timeZone)],
        ...(drift === null ? [] : [['Drift', `${humidityWords(drift, 1)} a year`] as const]),
        ...(sensor.battery === null ? [] : [['Battery', `${Math.round(sensor.battery)} %`] as const]),
      ]}
    />
  );
}

/** Whether it is right: its checks over salt, and others in the same place. */
function Truth({ model }: { model: HygrometerModel }) {
  const { sensor, nowMs, timeZone, temperatures, attempt, params, others, compare, beside } = model;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.isItRight}
      </Text>
      <Text tone="quiet">{copy.overAWetSalt}</Text>
      <Button
        rank="outline"
        title={copy.checkItOverSalt}
        onPress={() => router.push({ pathname: '/air/hygrometers/salt', params: { sensor: sensor.id } })}
        start
      />
      {sensor.checks.map((check) => (
        <Row key={check.id} gap="half" align="center">
          <Text kind="small" grow>
            {copy.showedOverAt({
              at: Date.parse(check.at),
              nowMs,
              timeZone,
              shownRh: check.shownRh,
              name: SALTS[check.salt].name,
              tempC: check.tempC,
              temperatures,
            })}
          </Text>
          <Button
            rank="plain"
            title="Take back"
            label={copy.takeBackTheCheck(Date.parse(check.at), nowMs, timeZone)}
            onPress={() =>
              void attempt(
                () => changeAir('removeCheck', { params: { ...params, checkId: check.id } }),
                copy.theCheckIsTaken,
              )
            }
          />
        </Row>
      ))}
      {others.map((other) => (
        <Stack key={other.id} gap="hair">
          <Button rank="outline" title={`Compare with ${other.name}`} onPress={() => void compare(other)} start />
          {beside?.id === other.id && <Text kind="small">{beside.text}</Text>}
        </Stack>
      ))}
    </Stack>
  );
}

function Removing({ model }: { model: HygrometerModel }) {
  const { removing, sensor, setRemoving, remove } = model;
  if (!removing) return null;
  return (
    <Sheet
      title={`Remove ${sensor.name}?`}
      onClose={() => setRemoving(false)}
      foot={
        <Stack gap="small">
          <Button title="Keep it" onPress={() => setRemoving(false)} />
          <Button rank="outline" title={copy.removeItAndIts} onPress={() => void remove()} />
        </Stack>
      }
    >
      <Text>{copy.itsReadingsGoWith(sensor.readings)}</Text>
    </Sheet>
  );
}

type Attempt = (work: () => Promise<unknown>, done: string | null) => Promise<void>;

/** The newest readings somebody took, each of which can be taken back. */
function LastReadings({ sensor, attempt }: { sensor: Sensor; attempt: Attempt }) {
  const { nowMs, timeZone } = useMoment();
  const temperatures = usePreferences((state) => state.temperatures);
  const [readings, setReadings] = useState<ResponseOf<'readReadings'>['readings']>([]);
  const { id, readings: count } = sensor;
  const lastAtS = sensor.last?.atS;
  useEffect(() => {
    let gone = false;
    call('readReadings', { params: { id } })
      .then((answer) => !gone && setReadings(answer.readings))
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [id, count, lastAtS]);
  return (
    <View>
      <Text kind="heading" level={2}>
        {copy.whatItShowed}
      </Text>
      {readings.map(({ atS, rhHundredths: rh, tempHundredths: temp, lowHundredths: low, highHundredths: high }) => {
        const when = `${dayWords(atS * SECOND_MS, nowMs, timeZone)} ${clockWords(atS * SECOND_MS, timeZone)}`;
        return (
          <Row key={atS} gap="half" align="center">
            <Text kind="small" grow>
              {`${humidityWords(rhFromHundredths(rh), 1)}${temp === null ? '' : `, ${temperatureWords(celsiusFromHundredths(temp), temperatures)}`}${low === null && high === null ? '' : `, between ${humidityWords(rhFromHundredths(low ?? rh))} and ${humidityWords(rhFromHundredths(high ?? rh))}`}, ${when}`}
            </Text>
            <Button
              rank="plain"
              title="Take back"
              label={copy.takeBackTheReading(when)}
              onPress={() =>
                void attempt(() => changeAir('removeReading', { params: { id, atS } }), copy.theReadingIsTaken)
              }
            />
          </Row>
        );
      })}
    </View>
  );
}

const FAULTS = [
  { value: 'drop-outs' as const, title: 'Drop-outs' },
  { value: 'drift' as const, title: 'Drift' },
  { value: 'stuck' as const, title: 'Stuck' },
  { value: 'battery' as const, title: 'Battery fading' },
];
type Simulated = (typeof FAULTS)[number]['value'];
const SOON_MS = 2000;

/** How a hygrometer sends by itself: its address, its key, a pack to try; and a simulated one to send for it. */
function Sending({ sensor, attempt }: { sensor: Sensor; attempt: Attempt }) {
  const key = useFreshKeys((state) => state.keys[sensor.id] ?? null);
  const [faults, setFaults] = useState<Simulated[]>([]);
  const params = { id: sensor.id };
  const renew = () =>
    attempt(async () => {
      const answer = await changeAir('renewKey', { params });
      useFreshKeys.getState().remember(sensor.id, answer.key!);
    }, copy.itHasANew);
  const simulate = () =>
    attempt(async () => {
      // It gets a key of its own, which takes the place of any other.
      await call('simulate', { params, body: { faults } });
      useFreshKeys.getState().forget(sensor.id);
      setTimeout(() => void refreshAir(true), SOON_MS);
    }, copy.aSimulatedHygrometerSends);
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.howItSends}
      </Text>
      <Text kind="small">{copy.aSenmlPackRfc(location.origin, API_ROOT, sensor.id)}</Text>
      <Text kind="small" tone="quiet" selectable>
        {'[{"n":"rh","u":"%RH","v":45.2},{"n":"temp","u":"Cel","v":20.6}]'}
      </Text>
      {key ? (
        <Banner tone="well" text={copy.itsKeyShownThis}>
          <Text kind="strong" selectable>
            {key}
          </Text>
        </Banner>
      ) : (
        <Text kind="small" tone="quiet">
          {sensor.keyed ? copy.itHasAKey : copy.itHasNoKey}
        </Text>
      )}
      <Grid gap="small">
        <Button rank="outline" title={sensor.keyed ? copy.makeANewKey : copy.makeAKey} onPress={() => void renew()} />
        {sensor.keyed && (
          <Button
            rank="outline"
            title={copy.revokeTheKey}
            onPress={() =>
              void attempt(async () => {
                await changeAir('revokeKey', { params });
                useFreshKeys.getState().forget(sensor.id);
              }, copy.itsKeyIsRevoked)
            }
          />
        )}
      </Grid>
      <Text kind="strong">{copy.tryItWithA}</Text>
      <Choices label="With faults" options={FAULTS} values={faults} onChange={setFaults} />
      <Button rank="outline" title={copy.letASimulatedHygrometer} onPress={() => void simulate()} start />
    </Stack>
  );
}
