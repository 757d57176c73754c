import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { usePreferences } from '@/state/preferences';
import { useStrings } from '@/state/assessments';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { PullChart } from '@/ui/PullChart';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { changeWords, readNumber } from '@/copy/measures';
import { listWords } from '@/copy/lists';
import { chartNames, loadWords } from '@/copy/strings';
import { ofInstrument } from '../kit/for-instrument';
import { useSetChoices } from './sets';
import { A4_RANGE_HZ, noteName } from '@tembrin/core/pitch';
import { compareStrung, hasOneLength, openStrings, usualTuning } from '@tembrin/core/strings';
import { variantOf } from '@tembrin/core/instruments';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/strings/compare';

const SAME = 'same';

/** What another set, tuning, A or length would change: each string, the whole, and what the instrument says to it. */
function CompareScreen({ instrument }: { instrument: Instrument }) {
  const { on } = useStrings(instrument);
  const { forces } = usePreferences();
  const sets = useSetChoices(instrument);
  const { stringing, family, kind, stringCount } = instrument;
  const now = openStrings(instrument);
  const [setKey, setSetKey] = useState<string>(SAME);
  const [tuning, setTuning] = useState<string>(SAME);
  const [a4, setA4] = useState(String(stringing.a4Hz));
  const [length, setLength] = useState(String(now[0]!.lengthMm));

  const tunings = [
    { title: 'As usual', notes: usualTuning(family, kind, stringCount) },
    ...variantOf(instrument).otherTunings.filter(({ notes }) => notes.length === stringCount),
  ];
  const a4Hz = readNumber(a4);
  const a4Wrong = a4Hz === null || a4Hz < A4_RANGE_HZ.least || a4Hz > A4_RANGE_HZ.most;
  const lengthMm = readNumber(length);
  const lengthWrong = lengthMm === null || lengthMm < 40 || lengthMm > 2000;
  const next = openStrings({
    ...instrument,
    stringing: {
      ...stringing,
      a4Hz: a4Wrong ? stringing.a4Hz : a4Hz,
      lengthMm: lengthWrong || !hasOneLength(instrument) ? stringing.lengthMm : lengthMm,
      tuning: tuning === SAME ? stringing.tuning : [...tunings.find(({ title }) => title === tuning)!.notes],
    },
  });
  const chosen = sets.find(({ key }) => key === setKey);
  const old = now.map((string, at) => ({ ...string, spec: on[at]?.spec ?? null }));
  const after = next.map((string, at) => ({ ...string, spec: chosen ? (chosen.strings[at] ?? null) : old[at]!.spec }));
  const change = compareStrung(instrument, old, after);
  const names = chartNames(instrument);
  const named = (positions: readonly number[]) => listWords(positions.map((at) => names[at]!));
  return (
    <Screen
      title="Compare"
      back={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
      foot={
        chosen && (
          <Button
            title={copy.putThisSetOn}
            onPress={() => router.push({ pathname: '/bench/change', params: { id: instrument.id, set: chosen.key } })}
          />
        )
      }
    >
      <Stack gap="hair">
        <Text kind="small" tone="quiet">
          {instrument.name}
        </Text>
        <Row gap="half" align="end">
          <Text kind="figure">{change.total === null ? '–' : changeWords(change.total)}</Text>
          <Text kind="small" tone="quiet" padBottom={12} shrink>
            {change.total === null ? 'in all' : copy.inAllThen(change.old.totalN, forces, change.new.totalN)}
          </Text>
        </Row>
        <Text role="status">{loadWords(change.verdict, change.total, family)}</Text>
      </Stack>
      {change.breaks.length > 0 && <Banner tone="now" text={copy.theWouldBreakAt(named(change.breaks))} />}
      {change.strained.length > 0 && <Banner tone="soon" text={copy.theWouldStandPast(named(change.strained))} />}
      <PullChart
        label={copy.oldAndNewPull}
        rows={[...after.entries()].reverse().map(([at, { spec }]) => ({
          name: names[at]!,
          newN: change.new.pulls[at]!.tensionN,
          oldN: change.old.pulls[at]!.tensionN,
          gaugeMm: spec?.gaugeMm ?? null,
          strained: change.breaks.includes(at) || change.strained.includes(at),
        }))}
      />
      <Text kind="small" tone="quiet">
        {copy.aRingIsWhat}
      </Text>
      <Stack gap="more">
        <Choice
          label="Set"
          options={[{ value: SAME, title: copy.whatIsOn }, ...sets.map(({ key, title }) => ({ value: key, title }))]}
          value={setKey}
          onChange={setSetKey}
        />
        {tunings.length > 1 && (
          <Choice
            label="Tuning"
            options={[
              { value: SAME, title: copy.asItIs },
              ...tunings.map(({ title, notes }) => ({
                value: title,
                title: `${title} (${notes.map(noteName).join(' ')})`,
              })),
            ]}
            value={tuning}
            onChange={setTuning}
          />
        )}
        <Field
          label={copy.aInHz}
          inputMode="decimal"
          value={a4}
          onChangeText={setA4}
          error={a4Wrong ? copy.theALiesBetween(A4_RANGE_HZ.least, A4_RANGE_HZ.most) : undefined}
        />
        {hasOneLength(instrument) && (
          <Field
            label={copy.nutToBridgeIn}
            inputMode="decimal"
            value={length}
            onChangeText={setLength}
            error={lengthWrong ? copy.betweenAndMmMeasure : undefined}
          />
        )}
      </Stack>
    </Screen>
  );
}

export const CompareRoute = ofInstrument(CompareScreen);
