import { CHECK_FAULT_SENTENCES, type Sensor } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { changeAir, useAir } from '@/state/air';
import { sentenceOf } from '@/state/api';
import { usePreferences } from '@/state/preferences';
import { notify } from '@/state/notice';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { NumberedSteps } from '@/ui/NumberedSteps';
import { NumberPair } from './NumberPair';
import { HOUR_MS } from '@tembrin/core/time';
import { readNumber, readTemperature } from '@/copy/measures';
import { checksOf } from './Hygrometers';
import { JarDrawing } from './JarDrawing';
import { useMoment, useRouteSensor } from './where';
import {
  checkFault,
  corrected,
  correctionsFrom,
  SALT_HOURS,
  SALT_IDS,
  saltHumidity,
  SALTS,
  type Salt,
} from '@tembrin/core/air';
import { Stack } from '@/ui/layout';
import { copy, STEPS } from '@/copy/screens/air/salt-check';

/** Route: the guided check of a hygrometer over a saturated salt. */
export function SaltCheckRoute() {
  const sensor = useRouteSensor();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return sensor ? <SaltCheckScreen key={sensor.id} sensor={sensor} /> : <Redirect href="/air/hygrometers" />;
}

function SaltCheckScreen({ sensor }: { sensor: Sensor }) {
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
  return (
    <Screen
      title="Salt check"
      back={{ pathname: '/air/hygrometers/[sensor]', params: { sensor: sensor.id } }}
      foot={<Button title={copy.putTheCheckOn} busy={busy} onPress={() => void save()} />}
    >
      <Text tone="quiet">{sensor.name}</Text>
      {problem !== null && <Banner tone="now" text={problem} />}
      <Stack align="center">
        <JarDrawing rh={wanted} />
      </Stack>
      <Choice
        label="Which salt"
        options={SALT_IDS.map((value) => ({ value, title: SALTS[value].name }))}
        value={salt}
        onChange={setSalt}
      />
      <Text>{copy.overTheAirHas({ name: SALTS[salt].name, wanted, tempC, temperatures })}</Text>
      <NumberedSteps steps={STEPS} ruled />
      <Text kind="small" tone="quiet">
        {copy.sealedNowItCan(nowMs + SALT_HOURS.least * HOUR_MS, nowMs, timeZone)}
      </Text>
      <NumberPair
        pair={[
          { label: copy.itShowsIn, value: text.shown, onChange: set('shown'), error: errors.shown },
          { label: `Temperature in °${temperatures}`, value: text.temp, onChange: set('temp'), error: errors.temp },
        ]}
      />
      {fault && <Banner tone="now" text={CHECK_FAULT_SENTENCES[fault]} />}
      {correction && (
        <Banner
          tone="well"
          text={
            correction.salts.length > 1
              ? copy.withSaltsTrueShown({
                  salts: correction.salts.length,
                  offset: (correction.offset * 100).toFixed(1),
                  slope: correction.slope,
                  uncertainty: correction.uncertainty,
                  corrected: corrected(0.5, correction),
                })
              : copy.itShowsTooA(correction.offset, correction.uncertainty)
          }
        />
      )}
    </Screen>
  );
}
