import type { Sensor } from '@tembrin/contract';
import { CHECK_FAULT_SENTENCES } from '@tembrin/contract/reading-faults';
import { router } from 'expo-router';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { changeAir } from '@/state/air';
import { sentenceOf } from '@/state/api';
import { usePreferences } from '@/state/preferences';
import { notify } from '@/state/notice';
import { readTemperature } from '@/copy/typed';
import { readNumber } from '@/copy/numbers';
import { checksOf } from './Hygrometers';
import { useMoment } from './where';
import { checkFault, correctionsFrom, saltHumidity, type Salt } from '@tembrin/core/air';
import { copy } from '@/copy/screens/air/salt-check';

/** A salt check as typed, what it tells, and putting it on record. */
export function useSaltCheck({ sensor }: { sensor: Sensor }) {
  const temperatures = usePreferences((state) => state.temperatures);
  const { nowMs, timeZone } = useMoment();

  const [salt, setSalt] = useState<Salt>('sodium-chloride');
  const [text, setText] = useState({ temp: '', shown: '' });
  const [errors, setErrors] = useState<{ temp?: string; shown?: string }>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const before = checksOf(sensor);
  const temp = text.temp.trim() === '' ? null : readTemperature(text.temp, temperatures);
  const shown = readNumber(text.shown);
  const tempC = typeof temp === 'number' ? temp : 20;
  const wanted = saltHumidity(salt, tempC);
  const ready = typeof temp === 'number' && shown !== null && shown > 1 && shown <= 100;
  const check = { at: nowMs, salt, tempC, shownRh: (shown ?? 0) / 100 };
  const fault = ready ? checkFault(check, before) : null;
  const correction = ready && !fault ? correctionsFrom([...before, check]).at(-1)! : null;
  const set = (key: keyof typeof text) => (value: string) => {
    setErrors({});
    setProblem(null);
    setText((old) => ({ ...old, [key]: value }));
  };
  const save = async () => {
    const wrong: typeof errors = {};
    if (temp === null) wrong.temp = copy.writeTheTemperatureIn;
    if (typeof temp === 'string') wrong.temp = temp;
    if (shown === null || shown < 1 || shown > 100) wrong.shown = copy.writeWhatItShows;
    if (Object.keys(wrong).length > 0) return setErrors(wrong);
    if (fault) return setProblem(CHECK_FAULT_SENTENCES[fault]);
    setBusy(true);
    const id = uuid();
    try {
      await changeAir('addCheck', {
        params: { id: sensor.id },
        body: { ...check, id, at: new Date(nowMs).toISOString() },
      });
      router.replace({ pathname: '/air/hygrometers/[sensor]', params: { sensor: sensor.id } });
      notify(copy.checkedItsReadingsAre, () =>
        changeAir('removeCheck', { params: { id: sensor.id, checkId: id } }).then(() => undefined),
      );
    } catch (error) {
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  return {
    temperatures,
    nowMs,
    timeZone,
    salt,
    setSalt,
    text,
    errors,
    problem,
    busy,
    tempC,
    wanted,
    fault,
    correction,
    set,
    save,
  };
}

export type SaltCheckModel = ReturnType<typeof useSaltCheck>;
