import type { Sensor } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { changeAir, useAir } from '@/state/air';
import { call, sentenceOf } from '@/state/api';
import { usePreferences } from '@/state/preferences';
import { notify } from '@/state/notice';
import { clockWords, dayWords } from '@/copy/dates';
import { humidityWords, temperatureWords } from '@/copy/measures';
import { checksOf } from './Hygrometers';
import { useMoment } from './where';
import { celsiusFromHundredths, rhFromHundredths } from '@tembrin/core/units';
import { driftPerYear } from '@tembrin/core/air';
import { SECOND_MS } from '@tembrin/core/time';
import { copy } from '@/copy/screens/air/hygrometer';

/** One hygrometer, what it shows beside others, and what is done with it. */
export function useHygrometer({ sensor }: { sensor: Sensor }) {
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
          ? copy.inHoursThatBoth({
              hours: comparison.hours,
              difference: comparison.difference,
              name: other.name,
              sd: comparison.sd,
            })
          : copy.theyHaveNotRead,
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
  return {
    places,
    moment,
    nowMs,
    timeZone,
    temperatures,
    problem,
    reading,
    setReading,
    removing,
    setRemoving,
    beside,
    params,
    attempt,
    others,
    compare,
    drift,
    lastWords,
    remove,
    sensor,
  };
}

export type HygrometerModel = ReturnType<typeof useHygrometer>;
