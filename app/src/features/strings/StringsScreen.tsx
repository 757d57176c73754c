import { WEEK_MS } from '@tembrin/core/time';
import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useHousehold } from '@/state/household';
import { usePreferences } from '@/state/preferences';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { PullChart } from '@/ui/PullChart';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { STATE_NAMES } from '@/copy/names';
import { Text } from '@/ui/Text';
import { lastingWords } from '@/copy/dates';
import { forceWords } from '@/copy/amounts';
import { type ForceUnit, lengthWords } from '@/copy/measures';
import { listWords } from '@/copy/lists';
import { makeUpWords, noteNames } from '@/copy/strings';
import { ofInstrument } from '../kit/for-instrument';
import { DescribeSheet } from './DescribeSheet';
import { ESTIMATE_SPREAD, hasOneLength, openStrings, setPull } from '@tembrin/core/strings';
import { harpOctave } from '@tembrin/core/pitch';
import type { StringWear } from '@tembrin/core/parts';
import { Grid, Press, Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/strings/strings';
import { useWhatIsOn, type StringsModel } from './use-what-is-on';

const FORCES: readonly { value: ForceUnit; title: string }[] = [
  { value: 'N', title: 'N' },
  { value: 'kgf', title: 'kgf' },
  { value: 'lbf', title: 'lbf' },
];

/** What is on, string by string, and what it pulls. */
function StringsScreen({ instrument }: { instrument: Instrument }) {
  const model = useWhatIsOn(instrument);
  const { complete, described, setDescribed, params } = model;
  if (!complete) {
    return (
      <Screen title={copy.whatIsOn} back={{ pathname: '/kit/[id]', params }}>
        <Text tone="quiet">{FETCHING_LOG}</Text>
      </Screen>
    );
  }
  return (
    <Screen
      title={copy.whatIsOn}
      back={{ pathname: '/kit/[id]', params }}
      foot={
        <Button title={copy.changeStringsStepBy} onPress={() => router.push({ pathname: '/bench/change', params })} />
      }
    >
      <Pull model={model} />
      <Tools model={model} />
      <OnIt model={model} />
      {described !== null && (
        <DescribeSheet instrument={instrument} what={described} onClose={() => setDescribed(null)} />
      )}
    </Screen>
  );
}

/** What the strings pull, each and together. */
function Pull({ model }: { model: StringsModel }) {
  const { instrument, set, forces, setForces, strings, short, on, breaking, estimated } = model;
  return (
    <>
      <Stack gap="hair">
        <Text kind="small" tone="quiet">
          {instrument.name}
        </Text>
        <Grid gap="half" align="end">
          <Text kind="figure">{set.totalN > 0 ? forceWords(set.totalN, forces) : '–'}</Text>
          <Text kind="small" tone="quiet" padBottom={12} shrink>
            {set.unknown === 0
              ? `on ${set.pulls.length} strings${set.balance ? copy.theStrongestTimesThe(set.balance) : ''}`
              : set.unknown === set.pulls.length
                ? copy.nothingIsKnownOf
                : copy.onTheStringsThat(set.unknown)}
          </Text>
        </Grid>
        {set.totalN > 0 && <Choice label="Pull in" options={FORCES} value={forces} onChange={setForces} />}
      </Stack>
      {set.totalN > 0 && (
        <PullChart
          label={copy.pullOfEachString}
          rows={[...strings.keys()].reverse().map((at) => ({
            name: short[at]!,
            newN: set.pulls[at]!.tensionN,
            gaugeMm: on[at]?.spec?.gaugeMm ?? null,
            strained: (set.pulls[at]!.strength?.safeAbove ?? 1) < 0,
          }))}
        />
      )}
      {breaking.length > 0 && (
        <Banner tone="now" text={copy.theWouldBreakAt(listWords(breaking.map((at) => short[at]!)))} />
      )}
      {estimated && (
        <Text kind="small" tone="quiet">
          {copy.woundStringsAreEstimated(ESTIMATE_SPREAD * 100)}
        </Text>
      )}
    </>
  );
}

function Tools({ model }: { model: StringsModel }) {
  const { params, instrument, strings } = model;
  const lengths = usePreferences((state) => state.lengths);
  return (
    <View>
      <LinkRow href={{ pathname: '/kit/[id]/broken', params }} title="One broke" text={copy.thisOneOrThe} />
      <LinkRow href={{ pathname: '/kit/[id]/compare', params }} title="Compare" text={copy.whatAnotherSetTuning} />
      <LinkRow
        href={{ pathname: '/kit/[id]/settle', params }}
        title={copy.tuneAndSettle}
        text={copy.centsAgainstYourOwn}
      />
      <LinkRow
        href={{ pathname: '/kit/[id]/strung', params }}
        title={copy.howItIsStrung}
        text={`A = ${instrument.stringing.a4Hz} Hz, ${!hasOneLength(instrument) ? `${instrument.stringCount} strings` : copy.mmFromNutTo(lengthWords(strings.at(-1)!.lengthMm, lengths))}.`}
      />
      <LinkRow href="/kit/spares" title={copy.setsAndSparesIn} />
    </View>
  );
}

/** String by string, or by the octave. */
function OnIt({ model }: { model: StringsModel }) {
  const { setDescribed, instrument, on, log } = model;
  return (
    <Stack gap="small">
      <Row align="center" justify="between">
        <Text kind="heading" level={2}>
          {copy.whatIsOn}
        </Text>
        <Button rank="plain" title={copy.describeTheSet} onPress={() => setDescribed('set')} />
      </Row>
      {!hasOneLength(instrument) ? (
        <ByOctave instrument={instrument} on={on} nowMs={log.nowMs} onPick={setDescribed} />
      ) : (
        <View role="list" aria-label="Strings">
          {[...on].reverse().map((string) => (
            <StringRow
              key={string.position}
              string={string}
              instrument={instrument}
              nowMs={log.nowMs}
              onPick={setDescribed}
            />
          ))}
        </View>
      )}
    </Stack>
  );
}

function StringRow({
  string,
  instrument,
  nowMs,
  onPick,
}: {
  string: StringWear;
  instrument: Instrument;
  nowMs: number;
  onPick: (position: number) => void;
}) {
  const { lengths, forces } = usePreferences();
  const { timeZone } = useHousehold((each) => each.household)!;
  const { position, spec, fitting, clock, state, window } = string;
  const name = noteNames(instrument)[position]!;
  const open = openStrings(instrument)[position]!;
  const pull = setPull([{ ...open, spec }]);
  const age = fitting
    ? copy.onOfItsLife({
        known: fitting.known,
        onMs: nowMs - fitting.at,
        wear: clock?.wear ?? 0,
        spentAt: window?.middle ?? null,
        nowMs,
        timeZone,
      })
    : copy.nobodySaidWhenIt;
  const what = `${makeUpWords(spec, lengths)}${pull.totalN > 0 ? `, ${forceWords(pull.totalN, forces)}` : ''}`;
  return (
    <View role="listitem">
      <Press
        role="button"
        aria-label={`${name}: ${STATE_NAMES[state]}. ${what}. ${age}`}
        onPress={() => onPick(position)}
        padY="small"
        gap={2}
        touch
        rule="bottom"
      >
        <Row align="center" justify="between">
          <Text kind="strong">{name}</Text>
          <StateMark state={state} />
        </Row>
        <Text kind="small">{what}</Text>
        <Text kind="small" tone="quiet">
          {age}
        </Text>
      </Press>
    </View>
  );
}

/** A harp's strings by octave, each octave opened when asked for. */
function ByOctave({
  instrument,
  on,
  nowMs,
  onPick,
}: {
  instrument: Instrument;
  on: readonly StringWear[];
  nowMs: number;
  onPick: (position: number) => void;
}) {
  const [open, setOpen] = useState<number | null>(null);
  const strings = openStrings(instrument);
  const octaves = [...new Set(strings.map(({ note }) => harpOctave(note)))].sort((a, b) => a - b);
  return (
    <View>
      {octaves.map((octave) => {
        const inside = on.filter(({ position }) => harpOctave(strings[position]!.note) === octave).reverse();
        const worst = inside.reduce((a, b) => ((b.clock?.chance ?? 0) > (a.clock?.chance ?? 0) ? b : a));
        const ages = inside.flatMap(({ fitting }) => (fitting ? nowMs - fitting.at : []));
        const span =
          ages.length === 0
            ? copy.nobodySaidWhenThey
            : Math.max(...ages) - Math.min(...ages) < WEEK_MS
              ? `all ${lastingWords(Math.max(...ages))} on`
              : `${lastingWords(Math.min(...ages))} to ${lastingWords(Math.max(...ages))} on`;
        return (
          <View key={octave}>
            <Press
              role="button"
              aria-expanded={open === octave}
              aria-label={`Octave ${octave}: ${STATE_NAMES[worst.state]}. ${inside.length} strings, ${span}`}
              onPress={() => setOpen(open === octave ? null : octave)}
              padY="small"
              touch
              rule="bottom"
            >
              <Row align="center" justify="between">
                <Text kind="strong">{`Octave ${octave}`}</Text>
                <StateMark state={worst.state} />
              </Row>
              <Text kind="small" tone="quiet">{`${inside.length} strings, ${span}`}</Text>
            </Press>
            {open === octave && (
              <Stack role="list" aria-label={copy.stringsOfOctave(octave)} padLeft="one">
                {inside.map((string) => (
                  <StringRow
                    key={string.position}
                    string={string}
                    instrument={instrument}
                    nowMs={nowMs}
                    onPick={onPick}
                  />
                ))}
              </Stack>
            )}
          </View>
        );
      })}
    </View>
  );
}

export const StringsRoute = ofInstrument(StringsScreen);
