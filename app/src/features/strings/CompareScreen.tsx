import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { PullChart } from '@/ui/PullChart';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { changeWords } from '@/copy/amounts';
import { loadWords } from '@/copy/strings';
import { ofInstrument } from '../kit/for-instrument';
import { A4_RANGE_HZ, noteName } from '@tembrin/core/pitch';
import { hasOneLength } from '@tembrin/core/strings';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/strings/compare';
import { useComparison, SAME, type ComparisonModel } from './use-comparison';

/** What another set, tuning, A or length would change: each string, the whole, and what the instrument says to it. */
function CompareScreen({ instrument }: { instrument: Instrument }) {
  const model = useComparison(instrument);
  const { forces, family, chosen, after, change, names, named } = model;
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
      <WhatChanges model={model} />
    </Screen>
  );
}

/** What is to be different. */
function WhatChanges({ model }: { model: ComparisonModel }) {
  const {
    sets,
    setKey,
    setSetKey,
    tunings,
    tuning,
    setTuning,
    a4,
    setA4,
    a4Wrong,
    instrument,
    length,
    setLength,
    lengthWrong,
    lengths,
  } = model;
  return (
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
          label={copy.nutToBridgeIn(lengths)}
          inputMode="decimal"
          value={length}
          onChangeText={setLength}
          error={lengthWrong ? copy.betweenAndMmMeasure(lengths) : undefined}
        />
      )}
    </Stack>
  );
}

export const CompareRoute = ofInstrument(CompareScreen);
