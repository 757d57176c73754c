import type { InstrumentChange } from '@tembrin/contract';
import { newInstrumentSchema } from '@tembrin/contract/instrument';
import { Redirect, router } from 'expo-router';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Refused, sentenceOf } from '@/state/api';
import { act } from '@/state/actions';
import { useMay } from '@/state/people';
import { addInstrument, useHousehold } from '@/state/household';
import type { Draft } from '@/state/log';
import { usePreferences } from '@/state/preferences';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { FAMILY_NAMES } from '@/copy/names';
import { copyOf } from '@/copy/parts';
import { Filling } from '../Filling';
import { WhenField } from '../part/WhenField';
import { whenToMs, type When } from '../part/when';
import { changedFacts } from './changed-facts';
import { FactsFields } from './FactsFields';
import { FAMILIES, usualFacts, type Family } from '@tembrin/core/instruments';
import { partOf, partsOf, type PartId } from '@tembrin/core/parts';
import { Press, Grid } from '@/ui/layout';
import { copy } from '@/copy/screens/kit/add-instrument';

/** Adding an instrument: its family, then on one page what is known. Only the family is asked for; the rest can wait. */
export function AddInstrument() {
  const [family, setFamily] = useState<Family | null>(null);
  // Others are given their instruments by who keeps the household.
  if (!useMay('arrange')) return <Redirect href="/now" />;
  return family ? (
    <Details key={family} family={family} onBack={() => setFamily(null)} />
  ) : (
    <FamilyChoice onChoose={setFamily} />
  );
}

function FamilyChoice({ onChoose }: { onChoose: (family: Family) => void }) {
  return (
    <Screen title={copy.whatDoYouPlay} back="/kit">
      <Filling />
      <Grid gap="half">
        {FAMILIES.map((family) => (
          <Press
            key={family}
            role="button"
            onPress={() => onChoose(family)}
            basis="30%"
            fill
            align="center"
            gap="half"
            padY="one"
            framed
            ground="surface"
          >
            <Plate subject={usualFacts(family)} height={150} />
            <Text kind="strong">{FAMILY_NAMES[family]}</Text>
          </Press>
        ))}
      </Grid>
    </Screen>
  );
}

const UNSAID: When = { kind: 'unsaid' };

function Details({ family, onBack }: { family: Family; onBack: () => void }) {
  const household = useHousehold((state) => state.household)!;
  const putOnStand = usePreferences((state) => state.putOnStand);
  const [nowMs] = useState(() => Date.now());
  // Made once, so that a second try after a lost answer adds nothing twice.
  const [id] = useState(() => uuid());
  const [facts, setFacts] = useState<InstrumentChange>(() => ({ ...usualFacts(family), name: FAMILY_NAMES[family] }));
  const [since, setSince] = useState<Readonly<Partial<Record<PartId, When>>>>({});
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const asked = partsOf(facts).filter((part) => partOf(part).askedAtFirst);
  const change = (part: Partial<InstrumentChange>) => setFacts((before) => changedFacts(before, part));
  const add = async () => {
    const wanted = newInstrumentSchema.safeParse({ id, ...facts });
    if (!wanted.success) {
      setErrors(Object.fromEntries(wanted.error.issues.map(({ path, message }) => [path.join('.'), message])));
      return;
    }
    setBusy(true);
    setProblem(null);
    try {
      const instrument = await addInstrument(wanted.data);
      const drafts = asked.flatMap((part): Draft[] => {
        const when = since[part] ?? UNSAID;
        const at = whenToMs(when, nowMs, household.timeZone);
        return at === null ? [] : [{ ...partOf(part).begun!(when.kind !== 'unknown', true), at }];
      });
      if (drafts.length > 0) await act(instrument.id, drafts, null);
      putOnStand(instrument.id);
      router.replace('/now');
    } catch (error) {
      if (error instanceof Refused && error.problem.fields) setErrors(error.problem.fields);
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  const when = { nowMs, timeZone: household.timeZone, mayBeUnknown: true };
  return (
    <Screen
      title={`Your ${FAMILY_NAMES[family].toLowerCase()}`}
      aside={<Button rank="plain" title="Another family" onPress={onBack} />}
      foot={<Button title={copy.putItOnThe} busy={busy} onPress={() => void add()} />}
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      <Text tone="quiet">{copy.allOfThisCan}</Text>
      <FactsFields facts={facts} onChange={change} errors={errors} />
      {asked.map((part) => (
        <WhenField
          key={part}
          {...when}
          label={copyOf(part).begun!.firstQuestion}
          value={since[part] ?? UNSAID}
          onChange={(said) => setSince((before) => ({ ...before, [part]: said }))}
        />
      ))}
    </Screen>
  );
}
