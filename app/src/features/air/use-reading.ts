import { readingFaultSentence } from '@tembrin/contract/reading-faults';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { changeAir, takeReading, takeReadingBack, useAir } from '@/state/air';
import { sentenceOf } from '@/state/api';
import { usePreferences } from '@/state/preferences';
import { notify } from '@/state/notice';
import { readTemperature } from '@/copy/typed';
import { readNumber } from '@/copy/numbers';
import { humidityFault } from '@tembrin/core/air';
import { copy } from '@/copy/screens/air/reading-sheet';

export interface ReadingSheetProps {
  onClose: () => void;
  /** Place whose hygrometer is read; null: it is asked for. */
  placeId: string | null;
}

/** A reading as typed, and putting it on record. */
export function useReading({ onClose, placeId }: ReadingSheetProps) {
  const { places, sensors } = useAir((state) => state.air)!;
  const temperatures = usePreferences((state) => state.temperatures);
  const [chosen, setChosen] = useState(placeId ?? places[0]!.id);
  const here = sensors.filter((sensor) => sensor.placeId === chosen);
  // What sends by itself is not read by hand.
  const readable = here.filter(({ kind }) => kind === 'hand');
  const [sensorId, setSensorId] = useState<string | null>(null);
  const sensor = readable.find(({ id }) => id === sensorId) ?? readable[0] ?? null;
  const [text, setText] = useState({ rh: '', temp: '', low: '', high: '' });
  const [errors, setErrors] = useState<Partial<Record<keyof typeof text, string>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const set = (key: keyof typeof text) => (value: string) => {
    setErrors({});
    setText((before) => ({ ...before, [key]: value }));
  };

  const save = async () => {
    const found: typeof errors = {};
    const percent = (key: 'rh' | 'low' | 'high') => {
      if (key !== 'rh' && text[key].trim() === '') return null;
      const value = readNumber(text[key].replace('%', ''));
      const fault = value === null ? 'no-number' : humidityFault(value);
      if (fault) found[key] = readingFaultSentence(fault);
      return value;
    };
    const [rh, low, high] = [percent('rh'), percent('low'), percent('high')];
    const temp = text.temp.trim() === '' ? null : readTemperature(text.temp.replace('°', ''), temperatures);
    if (typeof temp === 'string') found.temp = temp;
    if (low !== null && rh !== null && low > rh) found.low = readingFaultSentence('low-above-high');
    if (high !== null && rh !== null && high < rh) found.high = readingFaultSentence('low-above-high');
    if (Object.keys(found).length > 0 || rh === null || typeof temp === 'string') return setErrors(found);
    setBusy(true);
    const reading = { at: new Date().toISOString(), percent: rh, tempC: temp, lowPercent: low, highPercent: high };
    try {
      const id = sensor?.id ?? uuid();
      if (!sensor) await changeAir('addSensor', { body: { id, kind: 'hand', name: 'Hygrometer', placeId: chosen } });
      const sent = await takeReading(id, reading);
      onClose();
      notify(copy.isOnRecord(rh / 100, rh % 1 === 0 ? 0 : 1, sent), () => takeReadingBack(id, reading));
    } catch (error) {
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  return {
    places,
    temperatures,
    chosen,
    setChosen,
    readable,
    setSensorId,
    sensor,
    text,
    errors,
    problem,
    busy,
    set,
    save,
  };
}
