import { correctionAtHalf } from '@tembrin/core/air';
import type { Sensor } from '@tembrin/contract';
import { SENSOR_KINDS } from '@tembrin/contract/air';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { changeAir, useAir } from '@/state/air';
import { sentenceOf } from '@/state/api';
import { Banner } from '@/ui/Banner';
import { useMay } from '@/state/people';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { Field } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { dayWords } from '@/copy/dates';
import { humidityWords } from '@/copy/measures';
import { useFreshKeys } from './fresh-keys';
import { useMoment } from './where';
import { correctionsFrom, type SaltCheck } from '@tembrin/core/air';
import { rhFromHundredths } from '@tembrin/core/units';
import { SECOND_MS } from '@tembrin/core/time';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy, SENSOR_KIND_NAMES } from '@/copy/screens/air/hygrometers';

/** A hygrometer's salt checks as the core reckons with them. */
export function checksOf({ checks }: Pick<Sensor, 'checks'>): SaltCheck[] {
  return checks.map(({ at, ...check }) => ({ ...check, at: Date.parse(at) }));
}

/** What is known of a hygrometer's truth, in a few words. */
export function truthWords(sensor: Sensor, nowMs: number, timeZone: string): string {
  const correction = correctionsFrom(checksOf(sensor)).at(-1);
  if (!correction) return 'never checked';
  const off = correctionAtHalf(correction);
  return `checked ${dayWords(correction.from, nowMs, timeZone)}: ${Math.abs(off) < 0.005 ? 'right' : `corrected by ${off < 0 ? '−' : '+'}${humidityWords(Math.abs(off), 1)}`}`;
}

/** Route: every hygrometer of the household. */
export function Hygrometers() {
  const air = useAir((state) => state.air);
  const { nowMs, timeZone } = useMoment();
  const [adding, setAdding] = useState(false);
  const may = useMay('arrange');
  if (!air) return null;
  const nameOf = (placeId: string) => air.places.find(({ id }) => id === placeId)?.name ?? '';
  return (
    <Screen
      title="Hygrometers"
      back="/air"
      foot={
        !may ? undefined : air.places.length > 0 ? (
          <Button rank="outline" title={copy.addAHygrometer} onPress={() => setAdding(true)} />
        ) : (
          <Button title={copy.addARoomFirst} onPress={() => router.push('/air/add')} />
        )
      }
    >
      {air.sensors.length === 0 ? (
        <Empty title="None yet" text={copy.anyHygrometerWillDo} />
      ) : (
        <View role="list" aria-label="Hygrometers">
          {air.sensors.map((sensor) => {
            const shown = sensor.last
              ? `${humidityWords(rhFromHundredths(sensor.last.rhHundredths))} ${dayWords(sensor.last.atS * SECOND_MS, nowMs, timeZone)}`
              : copy.nothingReadYet;
            const words = `${nameOf(sensor.placeId)} · ${shown} · ${truthWords(sensor, nowMs, timeZone)}`;
            const faults = sensor.faults.map(({ code }) => FAULT_NAMES[code]).join(', ');
            return (
              <View role="listitem" key={sensor.id}>
                <LinkRow
                  href={{ pathname: '/air/hygrometers/[sensor]', params: { sensor: sensor.id } }}
                  label={`${sensor.name}. ${words}. ${faults}`}
                >
                  <Text kind="heading">{sensor.name}</Text>
                  <Text kind="small" tone="quiet">
                    {words}
                  </Text>
                  {faults !== '' && (
                    <Text kind="smallStrong" tone="soon">
                      {faults}
                    </Text>
                  )}
                </LinkRow>
              </View>
            );
          })}
        </View>
      )}
      {adding && <AddSheet onClose={() => setAdding(false)} />}
    </Screen>
  );
}

const FAULT_NAMES = { stuck: 'Stuck', absurd: 'Absurd', silent: 'Silent', battery: 'Battery low' } as const;

function AddSheet({ onClose }: { onClose: () => void }) {
  const { places } = useAir((state) => state.air)!;
  const [kind, setKind] = useState<Sensor['kind']>('hand');
  const [placeId, setPlaceId] = useState(places[0]!.id);
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const save = async () => {
    if (name.trim() === '') return setProblem(copy.giveItAName);
    setBusy(true);
    try {
      const { sensor, key } = await changeAir('addSensor', { body: { id: uuid(), kind, name, placeId } });
      if (key) useFreshKeys.getState().remember(sensor.id, key);
      onClose();
      router.push({ pathname: '/air/hygrometers/[sensor]', params: { sensor: sensor.id } });
    } catch (error) {
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  return (
    <Sheet
      title={copy.addAHygrometer}
      onClose={onClose}
      foot={<Button title={PUT_ON_RECORD} busy={busy} onPress={() => void save()} />}
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      <Field label="Name" value={name} onChangeText={setName} />
      <Choice
        label={copy.howItIsRead}
        options={SENSOR_KINDS.map((value) => ({ value, title: SENSOR_KIND_NAMES[value] }))}
        value={kind}
        onChange={setKind}
      />
      <Choice
        label={copy.whereItHangs}
        options={places.map(({ id, name: title }) => ({ value: id, title }))}
        value={placeId}
        onChange={setPlaceId}
      />
    </Sheet>
  );
}
