import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { act } from '@/state/actions';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { dateWords } from '@/copy/dates';
import { readNumber, waterWords } from '@/copy/measures';
import { useMoment } from './where';
import { humidifierPace } from '@tembrin/core/air';
import type { Weighing } from '@tembrin/core/log';
import { Stack } from '@/ui/layout';

const KINDS = [
  { value: 'before' as const, title: 'As taken out' },
  { value: 'filled' as const, title: 'Filled again' },
  { value: 'empty' as const, title: 'Dry, without water' },
];

/** What the humidifier of a case gives, from its weighings, and when it runs dry. */
export function HumidifierWeighings({
  instrument,
  weighings,
}: {
  instrument: Instrument;
  weighings: readonly Weighing[];
}) {
  const { nowMs, timeZone } = useMoment();
  const [weighing, setWeighing] = useState(false);
  const pace = humidifierPace(weighings);
  const words = pace
    ? `It gives ${waterWords(pace.gramsPerDay)} a day (${pace.fillings} ${pace.fillings === 1 ? 'filling' : 'fillings'}). ${
        pace.dryAt === null
          ? 'Weigh it once dry, and it can be told when it runs out.'
          : pace.dryAt <= nowMs
            ? `It has been dry since about ${dateWords(pace.dryAt, nowMs, timeZone)}: fill it.`
            : `It runs dry about ${dateWords(pace.dryAt, nowMs, timeZone)}.`
      }`
    : 'Weigh it when it is filled and when it is taken out again: that gives grams a day, and the date it runs dry.';
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {`Humidifier in the case of ${instrument.name}`}
      </Text>
      <Text>{words}</Text>
      <Button
        rank="outline"
        title="Weigh it"
        label={`Weigh the humidifier of ${instrument.name}`}
        onPress={() => setWeighing(true)}
        start
      />
      {weighing && <WeighSheet instrument={instrument} onClose={() => setWeighing(false)} />}
    </Stack>
  );
}

function WeighSheet({ instrument, onClose }: { instrument: Instrument; onClose: () => void }) {
  const [kind, setKind] = useState<Weighing['kind']>('before');
  const [text, setText] = useState('');
  const [error, setError] = useState<string>();
  const save = async () => {
    const grams = readNumber(text);
    if (grams === null || grams <= 0 || grams > 5000) return setError('Write its weight in grams, like 42.5.');
    onClose();
    await act(instrument.id, [{ type: 'humidifier-weighed', payload: { kind, grams } }], `${grams} g is on record.`);
  };
  return (
    <Sheet
      title="The humidifier on the scales"
      onClose={onClose}
      foot={<Button title="Put it on record" onPress={() => void save()} />}
    >
      <Choice label="How it is now" options={KINDS} value={kind} onChange={setKind} />
      <Field
        label="Weight in grams"
        inputMode="decimal"
        value={text}
        onChangeText={(value) => {
          setError(undefined);
          setText(value);
        }}
        error={error}
        onSubmitEditing={() => void save()}
      />
    </Sheet>
  );
}
