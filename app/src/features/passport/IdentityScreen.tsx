import type { Instrument } from '@tembrin/contract';
import { Button } from '@/ui/Button';
import { DateField, Field, TextArea } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/kit/passport';
import { ofInstrument } from '../kit/for-instrument';
import { useIdentity } from './use-identity';

/** Route: what an instrument is told by. */
export const IdentityRoute = ofInstrument(IdentityScreen);

function IdentityScreen({ instrument }: { instrument: Instrument }) {
  const { draft, errors, busy, change, save } = useIdentity(instrument);
  const field = (name: keyof typeof draft, label: string, hint?: string) => (
    <Field
      label={label}
      hint={hint}
      value={draft[name]}
      onChangeText={(text) => change({ [name]: text })}
      error={errors[name]}
    />
  );
  return (
    <Screen
      title={copy.identity}
      back={{ pathname: '/kit/[id]/passport', params: { id: instrument.id } }}
      foot={<Button title={copy.save} busy={busy} onPress={save} />}
    >
      <Text tone="quiet">{copy.identityText}</Text>
      <TextArea
        label={copy.label}
        rows={2}
        value={draft.label}
        onChange={(label) => change({ label })}
        error={errors.label}
      />
      {field('made', copy.made, copy.madeHint)}
      {field('serial', copy.serial)}
      <TextArea
        label={copy.marks}
        hint={copy.marksHint}
        rows={2}
        value={draft.marks}
        onChange={(marks) => change({ marks })}
        error={errors.marks}
      />
      <TextArea
        label={copy.came}
        rows={2}
        value={draft.came}
        onChange={(came) => change({ came })}
        error={errors.came}
      />
      <Row gap="small" align="start">
        <Stack grow={2}>{field('amount', copy.amount)}</Stack>
        <Stack grow>{field('currency', copy.currency)}</Stack>
      </Row>
      <DateField type="date" label={copy.valuedOn} value={draft.on} onChange={(on) => change({ on })} />
      {field('insurer', copy.insurer)}
      {field('policy', copy.policy)}
    </Screen>
  );
}
