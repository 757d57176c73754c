import type { Instrument, InstrumentChange } from '@tembrin/contract';
import { instrumentChangeSchema } from '@tembrin/contract/instrument';
import { Redirect, router } from 'expo-router';
import { useState } from 'react';
import { Refused, sentenceOf } from '@/state/api';
import { changeInstrument, refreshHousehold, removeInstrument, useHousehold } from '@/state/household';
import { useBows } from '@/state/bows';
import { notify } from '@/state/notice';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { changedFacts } from './changed-facts';
import { FactsFields, SetUpFields } from './FactsFields';
import { useRouteInstrument } from './route-instrument';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/kit/change-instrument';

/** Route: change what an instrument is, or remove it. */
export function ChangeInstrument() {
  const instrument = useRouteInstrument();
  return instrument ? (
    <ChangeForm key={`${instrument.id} ${instrument.version}`} instrument={instrument} />
  ) : (
    <Redirect href="/kit" />
  );
}

function ChangeForm({ instrument }: { instrument: Instrument }) {
  const { id, version: _version, addedAt: _addedAt, ...known } = instrument;
  const [facts, setFacts] = useState<InstrumentChange>(known);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const shared = useBows(instrument).flatMap(({ bow, name }) => (bow.instrumentIds.length > 1 ? [name] : []));
  const back = () => (router.canGoBack() ? router.back() : router.replace({ pathname: '/kit/[id]', params: { id } }));
  const attempt = async (work: () => Promise<void>, then: () => void) => {
    setProblem(null);
    try {
      await work();
      then();
    } catch (error) {
      if (error instanceof Refused && error.problem.fields) setErrors(error.problem.fields);
      if (error instanceof Refused && error.problem.status === 412) await refreshHousehold().catch(() => undefined);
      setProblem(sentenceOf(error));
      setAsking(false);
    }
  };
  const save = () => {
    const wanted = instrumentChangeSchema.safeParse(facts);
    if (!wanted.success) {
      setErrors(Object.fromEntries(wanted.error.issues.map(({ path, message }) => [path.join('.'), message])));
      return;
    }
    void attempt(
      () => changeInstrument(instrument, wanted.data),
      () => {
        notify('Changed.', () => undoChange(id, known));
        back();
      },
    );
  };
  const remove = () =>
    void attempt(
      () => removeInstrument(instrument),
      () => {
        notify(`${instrument.name} is removed.`);
        router.replace('/kit');
      },
    );
  const fields = {
    facts,
    onChange: (part: Partial<InstrumentChange>) => setFacts((before) => changedFacts(before, part)),
    errors,
  };
  return (
    <Screen
      title={`Change ${instrument.name}`}
      back={{ pathname: '/kit/[id]', params: { id } }}
      foot={<Button title="Save" onPress={save} />}
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      <FactsFields {...fields} />
      <SetUpFields {...fields} />
      <Button rank="plain" title={`Remove ${instrument.name}`} onPress={() => setAsking(true)} start />
      {asking && (
        <Sheet
          title={`Remove ${instrument.name}?`}
          onClose={() => setAsking(false)}
          foot={
            <Stack gap="small">
              <Button title={copy.removeItAndIts} onPress={remove} />
              <Button rank="outline" title="Keep it" onPress={() => setAsking(false)} />
            </Stack>
          }
        >
          <Text>{copy.itsSessionsStringsAnd}</Text>
          {shared.length > 0 && <Text tone="now">{copy.bowsLoseWhatWas(shared)}</Text>}
        </Sheet>
      )}
    </Screen>
  );
}

async function undoChange(id: string, before: InstrumentChange): Promise<void> {
  const current = useHousehold.getState().household?.instruments.find((each) => each.id === id);
  if (current) await changeInstrument(current, before);
}
