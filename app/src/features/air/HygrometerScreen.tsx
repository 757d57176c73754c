import { API_ROOT, type ResponseOf, type Sensor } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { changeAir, refreshAir, useAir } from '@/state/air';
import { call, sentenceOf } from '@/state/api';
import { usePreferences } from '@/state/preferences';
import { notify } from '@/state/notice';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { faultWords } from '@/copy/air';
import { clockWords, dateWords, dayWords } from '@/copy/dates';
import { humidityWords, temperatureWords } from '@/copy/measures';
import { useFreshKeys } from './fresh-keys';
import { checksOf, SENSOR_KIND_NAMES, truthWords } from './Hygrometers';
import { ReadingSheet } from './ReadingSheet';
import { useMoment, useRouteSensor } from './where';
import { celsiusFromHundredths, rhFromHundredths } from '@tembrin/core/units';
import { driftPerYear, SALTS } from '@tembrin/core/air';
import { SECOND_MS } from '@tembrin/core/time';
import { Grid, Row, Stack } from '@/ui/layout';

/** Route: one hygrometer: what it showed, whether it is right, how its readings come in. */
export function HygrometerRoute() {
  const sensor = useRouteSensor();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return sensor ? <HygrometerScreen key={sensor.id} sensor={sensor} /> : <Redirect href="/air/hygrometers" />;
}

function HygrometerScreen({ sensor }: { sensor: Sensor }) {
  const { places, sensors } = useAir((state) => state.air)!;
  const moment = useMoment();
  const { nowMs, timeZone } = moment;
  const temperatures = usePreferences((state) => state.temperatures);
  const [problem, setProblem] = useState<string | null>(null);
  const [reading, setReading] = useState(false);
  const [removing, setRemoving] = useState(false);
  const [beside, setBeside] = useState<{ id: string; text: string } | null>(null);
  const params = { id: sensor.id };
  const attempt = async (work: () => Promise<unknown>, done: string | null) => {
    setProblem(null);
    try {
      await work();
      if (done !== null) notify(done);
    } catch (error) {
      setProblem(sentenceOf(error));
    }
  };
  const others = sensors.filter(({ id, placeId }) => id !== sensor.id && placeId === sensor.placeId);
  const compare = (other: Sensor) =>
    attempt(async () => {
      const { comparison } = await call('compareSensors', { params: { ...params, otherId: other.id } });
      setBeside({
        id: other.id,
        text: comparison
          ? `In ${comparison.hours} hours that both read, this one showed ${humidityWords(Math.abs(comparison.difference), 1)} ${comparison.difference < 0 ? 'less' : 'more'} than ${other.name} (± ${humidityWords(comparison.sd, 1)}), after correction.`
          : `They have not read in the same hours often enough. Let them hang side by side for a day.`,
      });
    }, null);
  const drift = driftPerYear(checksOf(sensor));
  const lastWords = ({ atS, rhHundredths, tempHundredths }: NonNullable<Sensor['last']>) =>
    `${humidityWords(rhFromHundredths(rhHundredths), 1)}${tempHundredths === null ? '' : `, ${temperatureWords(celsiusFromHundredths(tempHundredths), temperatures)}`}, ${dayWords(atS * SECOND_MS, nowMs, timeZone)} ${clockWords(atS * SECOND_MS, timeZone)}`;
  const remove = () =>
    attempt(async () => {
      await changeAir('removeSensor', { params, version: sensor.version });
      router.replace('/air/hygrometers');
    }, `${sensor.name} is removed.`);
  return (
    <Screen
      title={sensor.name}
      back="/air/hygrometers"
      foot={
        sensor.kind === 'hand' ? (
          <Button title="Read it" onPress={() => setReading(true)} />
        ) : sensor.kind === 'logger' ? (
          <Button
            title="Import a file"
            onPress={() => router.push({ pathname: '/air/hygrometers/import', params: { sensor: sensor.id } })}
          />
        ) : undefined
      }
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      {sensor.faults.map((fault) => (
        <Banner key={fault.code} tone="soon" text={faultWords(fault, moment)} />
      ))}
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
      {sensor.kind === 'hand' && sensor.readings > 0 && <LastReadings sensor={sensor} attempt={attempt} />}
      {sensor.kind === 'post' && <Sending sensor={sensor} attempt={attempt} />}
      <Stack gap="small">
        <Text kind="heading" level={2}>
          Is it right?
        </Text>
        <Text tone="quiet">
          Over a wet salt in a sealed jar the air has a humidity that is known. One salt gives an offset, two an offset
          and a slope.
        </Text>
        <Button
          rank="outline"
          title="Check it over salt"
          onPress={() => router.push({ pathname: '/air/hygrometers/salt', params: { sensor: sensor.id } })}
          start
        />
        {sensor.checks.map((check) => (
          <Row key={check.id} gap="half" align="center">
            <Text kind="small" grow>
              {`${dateWords(Date.parse(check.at), nowMs, timeZone)}: showed ${humidityWords(check.shownRh, 1)} over ${SALTS[check.salt].name.toLowerCase()} at ${temperatureWords(check.tempC, temperatures, 0)}`}
            </Text>
            <Button
              rank="plain"
              title="Take back"
              label={`Take back the check of ${dateWords(Date.parse(check.at), nowMs, timeZone)}`}
              onPress={() =>
                void attempt(
                  () => changeAir('removeCheck', { params: { ...params, checkId: check.id } }),
                  'The check is taken back.',
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
      <Choice
        label="Where it hangs"
        hint="What it read stays with the place where it read it."
        options={places.map(({ id, name }) => ({ value: id, title: name }))}
        value={sensor.placeId}
        onChange={(placeId) =>
          void attempt(
            () => changeAir('changeSensor', { params, version: sensor.version, body: { name: sensor.name, placeId } }),
            'From the next hour on it reads there.',
          )
        }
      />
      {sensor.kind === 'hand' && (
        <Button
          rank="outline"
          title="Import a file"
          onPress={() => router.push({ pathname: '/air/hygrometers/import', params: { sensor: sensor.id } })}
          start
        />
      )}
      <Button rank="plain" title="Remove this hygrometer" onPress={() => setRemoving(true)} start flush />
      {reading && <ReadingSheet onClose={() => setReading(false)} placeId={sensor.placeId} />}
      {removing && (
        <Sheet
          title={`Remove ${sensor.name}?`}
          onClose={() => setRemoving(false)}
          foot={
            <Stack gap="small">
              <Button title="Keep it" onPress={() => setRemoving(false)} />
              <Button rank="outline" title="Remove it and its readings" onPress={() => void remove()} />
            </Stack>
          }
        >
          <Text>{`Its ${sensor.readings} readings go with it, and cannot be brought back.`}</Text>
        </Sheet>
      )}
    </Screen>
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
        What it showed
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
              label={`Take back the reading of ${when}`}
              onPress={() =>
                void attempt(() => changeAir('removeReading', { params: { id, atS } }), 'The reading is taken back.')
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
    }, 'It has a new key. The old one no longer works.');
  const simulate = () =>
    attempt(async () => {
      // It gets a key of its own, which takes the place of any other.
      await call('simulate', { params, body: { faults } });
      useFreshKeys.getState().forget(sensor.id);
      setTimeout(() => void refreshAir(true), SOON_MS);
    }, 'A simulated hygrometer sends for it now, every few seconds.');
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        How it sends
      </Text>
      <Text kind="small">
        {`A SenML pack (RFC 8428) to ${location.origin}${API_ROOT}/sensors/${sensor.id}/senml, with the key as “Authorization: Bearer …”. Units %RH, Cel, %EL.`}
      </Text>
      <Text kind="small" tone="quiet" selectable>
        {'[{"n":"rh","u":"%RH","v":45.2},{"n":"temp","u":"Cel","v":20.6}]'}
      </Text>
      {key ? (
        <Banner tone="well" text="Its key, shown this once. Write it into the hygrometer now.">
          <Text kind="strong" selectable>
            {key}
          </Text>
        </Banner>
      ) : (
        <Text kind="small" tone="quiet">
          {sensor.keyed
            ? 'It has a key. Keys are shown once, when they are made.'
            : 'It has no key: nothing can send for it.'}
        </Text>
      )}
      <Grid gap="small">
        <Button rank="outline" title={sensor.keyed ? 'Make a new key' : 'Make a key'} onPress={() => void renew()} />
        {sensor.keyed && (
          <Button
            rank="outline"
            title="Revoke the key"
            onPress={() =>
              void attempt(async () => {
                await changeAir('revokeKey', { params });
                useFreshKeys.getState().forget(sensor.id);
              }, 'Its key is revoked.')
            }
          />
        )}
      </Grid>
      <Text kind="strong">Try it with a simulated one</Text>
      <Choices label="With faults" options={FAULTS} values={faults} onChange={setFaults} />
      <Button rank="outline" title="Let a simulated hygrometer send" onPress={() => void simulate()} start />
    </Stack>
  );
}
