import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { act } from '@/state/actions';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { gramsOf, waterUnit } from '@/copy/amounts';
import { readNumber } from '@/copy/numbers';
import { useMoment } from './where';
import { humidifierPace } from '@tembrin/core/air';
import type { Weighing } from '@tembrin/core/log';
import { Stack } from '@/ui/layout';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy, KINDS } from '@/copy/screens/air/humidifier-weighings';

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
    ? copy.itGivesADay({ gramsPerDay: pace.gramsPerDay, fillings: pace.fillings, dryAt: pace.dryAt, nowMs, timeZone })
    : copy.weighItWhenIt;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.humidifierInTheCase(instrument.name)}
      </Text>
      <Text>{words}</Text>
      <Button
        rank="outline"
        title="Weigh it"
        label={copy.weighTheHumidifierOf(instrument.name)}
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
    const typed = readNumber(text);
    const grams = typed === null ? NaN : Math.round(gramsOf(typed) * 10) / 10;
    if (!(grams > 0 && grams <= 5000)) return setError(copy.writeItsWeightIn(waterUnit()));
    onClose();
    await act(instrument.id, [{ type: 'humidifier-weighed', payload: { kind, grams } }], copy.gIsOnRecord(grams));
  };
  return (
    <Sheet
      title={copy.theHumidifierOnThe}
      onClose={onClose}
      foot={<Button title={PUT_ON_RECORD} onPress={() => void save()} />}
    >
      <Choice label={copy.howItIsNow} options={KINDS} value={kind} onChange={setKind} />
      <Field
        label={copy.weightIn(waterUnit())}
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
