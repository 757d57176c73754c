import { FAMILIES, FAMILY_FACTS, HARP_STRINGS, usualFacts, type Family } from '@tembrin/core';
import { newInstrumentSchema, type InstrumentChange } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { Refused, sentenceOf } from '@/state/api';
import { act } from '@/state/doing';
import { addInstrument, useHousehold } from '@/state/household';
import type { Draft } from '@/state/log';
import { useLook } from '@/state/look';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { GAP, RADIUS, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { FAMILY_NAMES } from '@/words/names';
import { WhenField } from '../part/WhenField';
import { whenToMs, type When } from '../part/when';
import { FactsFields } from './FactsFields';

/** Adding an instrument: its family, then on one page what is known. Only the family is asked for; the rest can wait. */
export function AddInstrument() {
  const [family, setFamily] = useState<Family | null>(null);
  return family ? (
    <Details key={family} family={family} onBack={() => setFamily(null)} />
  ) : (
    <FamilyChoice onChoose={setFamily} />
  );
}

function FamilyChoice({ onChoose }: { onChoose: (family: Family) => void }) {
  const { surface, edge } = usePalette();
  return (
    <Screen title="What do you play?" back="/kit">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: GAP.half }}>
        {FAMILIES.map((family) => (
          <Pressable
            key={family}
            role="button"
            onPress={() => onChoose(family)}
            style={{
              flexBasis: '30%',
              flexGrow: 1,
              alignItems: 'center',
              gap: GAP.half,
              paddingVertical: GAP.one,
              borderWidth: 1,
              borderColor: edge,
              borderRadius: RADIUS,
              backgroundColor: surface,
            }}
          >
            <Plate subject={usualFacts(family)} height={150} />
            <Words kind="strong">{FAMILY_NAMES[family]}</Words>
          </Pressable>
        ))}
      </View>
    </Screen>
  );
}

function Details({ family, onBack }: { family: Family; onBack: () => void }) {
  const household = useHousehold((state) => state.household)!;
  const putOnStand = useLook((state) => state.putOnStand);
  const { bowed } = FAMILY_FACTS[family];
  const [nowMs] = useState(() => Date.now());
  // Made once, so that a second try after a lost answer adds nothing twice.
  const [id] = useState(() => uuid());
  const [facts, setFacts] = useState<InstrumentChange>(() => ({ ...usualFacts(family), name: FAMILY_NAMES[family] }));
  const [strings, setStrings] = useState<When>({ kind: 'unsaid' });
  const [hair, setHair] = useState<When>({ kind: 'unsaid' });
  const [checkup, setCheckup] = useState<When>({ kind: 'unsaid' });
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const change = (part: Partial<InstrumentChange>) => {
    const stringCount = part.kind === 'lever' || part.kind === 'pedal' ? { stringCount: HARP_STRINGS[part.kind] } : {};
    setFacts((before) => ({ ...before, ...part, ...stringCount }));
  };
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
      const drafts: Draft[] = [];
      const fact = (when: When, draft: (at: number, known: boolean) => Draft) => {
        const at = whenToMs(when, nowMs, household.timeZone);
        if (at !== null) drafts.push(draft(at, when.kind !== 'unknown'));
      };
      fact(strings, (at, known) => ({
        type: 'strings-fitted',
        at,
        payload: { strings: null, reason: 'on-record', known },
      }));
      if (bowed) fact(hair, (at, known) => ({ type: 'rehaired', at, payload: { reason: 'on-record', known } }));
      fact(checkup, (at, known) => ({ type: 'checked-up', at, payload: { known } }));
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
      foot={<Button title="Put it on the stand" busy={busy} onPress={() => void add()} />}
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      <Words tone="quiet">All of this can be skipped. What is missing is asked for when it matters.</Words>
      <FactsFields facts={facts} onChange={change} errors={errors} />
      <WhenField {...when} label="When were its strings fitted?" value={strings} onChange={setStrings} />
      {bowed && <WhenField {...when} label="When was its bow last rehaired?" value={hair} onChange={setHair} />}
      <WhenField {...when} label="When did a luthier last look it over?" value={checkup} onChange={setCheckup} />
    </Screen>
  );
}
