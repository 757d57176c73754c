import { ESTIMATE_SPREAD, harpOctave, openStrings, setPull, type StringWear } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useComplete } from '@/state/condition';
import { useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import { useStrings } from '@/state/strings';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { PullChart } from '@/ui/PullChart';
import { Row } from '@/ui/Row';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { GAP, TOUCH, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { dateWords, lastingWords } from '@/words/dates';
import { forceWords, type ForceUnit } from '@/words/measures';
import { listWords } from '@/words/moment';
import { chartNames, makeUpWords, noteNames } from '@/words/strings';
import { ofInstrument } from '../kit/of-instrument';
import { DescribeSheet } from './DescribeSheet';

const FORCES: readonly { value: ForceUnit; title: string }[] = [
  { value: 'N', title: 'N' },
  { value: 'kgf', title: 'kgf' },
  { value: 'lbf', title: 'lbf' },
];

/** What is on, string by string, and what it pulls. */
function StringsScreen({ instrument }: { instrument: Instrument }) {
  const { log, on } = useStrings(instrument);
  const complete = useComplete(instrument.id);
  const { forces, setForces } = useLook();
  const [described, setDescribed] = useState<number | 'set' | null>(null);
  const strings = openStrings(instrument);
  const set = setPull(strings.map((string, at) => ({ ...string, spec: on[at]?.spec ?? null })));
  const short = chartNames(instrument);
  const params = { id: instrument.id };
  const breaking = set.pulls.flatMap(({ strength }, at) => (strength && strength.toBreaking <= 0 ? [at] : []));
  const estimated = set.pulls.some(({ basis }) => basis === 'estimate');
  if (!complete) {
    return (
      <Screen title="Strings" back={{ pathname: '/kit/[id]', params }}>
        <Words tone="quiet">Fetching the log …</Words>
      </Screen>
    );
  }
  return (
    <Screen
      title="Strings"
      back={{ pathname: '/kit/[id]', params }}
      foot={
        <Button
          title="Change strings, step by step"
          onPress={() => router.push({ pathname: '/bench/change', params })}
        />
      }
    >
      <View style={{ gap: GAP.hair }}>
        <Words kind="small" tone="quiet">
          {instrument.name}
        </Words>
        <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: GAP.half, flexWrap: 'wrap' }}>
          <Words kind="figure">{set.totalN > 0 ? forceWords(set.totalN, forces) : '–'}</Words>
          <Words kind="small" tone="quiet" style={{ paddingBottom: 12, flexShrink: 1 }}>
            {set.unknown === 0
              ? `on ${set.pulls.length} strings${set.balance ? `, the strongest ${set.balance.toFixed(1)} times the weakest` : ''}`
              : set.unknown === set.pulls.length
                ? 'Nothing is known of these strings yet. Describe the set below.'
                : `on the strings that are described; ${set.unknown} are not`}
          </Words>
        </View>
        {set.totalN > 0 && <Choice label="Pull in" options={FORCES} value={forces} onChange={setForces} />}
      </View>
      {set.totalN > 0 && (
        <PullChart
          label="Pull of each string"
          rows={[...strings.keys()].reverse().map((at) => ({
            name: short[at]!,
            newN: set.pulls[at]!.tensionN,
            gaugeMm: on[at]?.spec?.gaugeMm ?? null,
            strained: (set.pulls[at]!.strength?.safeAbove ?? 1) < 0,
          }))}
        />
      )}
      {breaking.length > 0 && (
        <Banner
          tone="now"
          text={`The ${listWords(breaking.map((at) => short[at]!))} would break at this length and note. Check both below, or describe the string anew.`}
        />
      )}
      {estimated && (
        <Words kind="small" tone="quiet">
          {`Wound strings are estimated from their gauge, within about ${ESTIMATE_SPREAD * 100} % (from memory). The tension on the packet is exacter.`}
        </Words>
      )}
      <View>
        <Row href={{ pathname: '/kit/[id]/broken', params }} label="One broke: this one, or the set?">
          <Words kind="strong">One broke</Words>
          <Words kind="small" tone="quiet">
            This one, or the set? With reasons, and what is in the cupboard.
          </Words>
        </Row>
        <Row href={{ pathname: '/kit/[id]/compare', params }} label="Compare: another set, tuning or A">
          <Words kind="strong">Compare</Words>
          <Words kind="small" tone="quiet">
            What another set, tuning, A or length would change, string by string.
          </Words>
        </Row>
        <Row href={{ pathname: '/kit/[id]/settle', params }} label="Tune and settle">
          <Words kind="strong">Tune and settle</Words>
          <Words kind="small" tone="quiet">
            Cents against your own A, and when new strings will hold.
          </Words>
        </Row>
        <Row href={{ pathname: '/kit/[id]/strung', params }} label="How it is strung and tuned">
          <Words kind="strong">How it is strung and tuned</Words>
          <Words kind="small" tone="quiet">
            {`A = ${instrument.stringing.a4Hz} Hz, ${instrument.family === 'harp' ? `${instrument.stringCount} strings` : `${strings[0]!.lengthMm} mm from nut to bridge`}.`}
          </Words>
        </Row>
        <Row href="/kit/cupboard" label="Sets and spares in the cupboard">
          <Words kind="strong">Sets and spares in the cupboard</Words>
        </Row>
      </View>
      <View style={{ gap: GAP.small }}>
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center' }}>
          <Words kind="heading" level={2}>
            What is on
          </Words>
          <Button rank="plain" title="Describe the set" onPress={() => setDescribed('set')} />
        </View>
        {instrument.family === 'harp' ? (
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
      </View>
      {described !== null && (
        <DescribeSheet instrument={instrument} what={described} onClose={() => setDescribed(null)} />
      )}
    </Screen>
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
  const { line } = usePalette();
  const { lengths, forces } = useLook();
  const { timeZone } = useHousehold((each) => each.household)!;
  const { position, spec, fitting, clock, state, window } = string;
  const name = noteNames(instrument)[position]!;
  const open = openStrings(instrument)[position]!;
  const pull = setPull([{ ...open, spec }]);
  const age = fitting
    ? `${fitting.known ? '' : 'at least '}${lastingWords(nowMs - fitting.at)} on, ${Math.round((clock?.wear ?? 0) * 100)} % of its life${window ? `, spent about ${dateWords(window.middle, nowMs, timeZone)}` : ''}`
    : 'nobody said when it went on';
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-label={`${name}: ${makeUpWords(spec, lengths)}. ${age}`}
        onPress={() => onPick(position)}
        style={{ minHeight: TOUCH, paddingVertical: GAP.small, borderBottomWidth: 1, borderBottomColor: line, gap: 2 }}
      >
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center' }}>
          <Words kind="strong">{name}</Words>
          <StateMark state={state} />
        </View>
        <Words kind="small">
          {`${makeUpWords(spec, lengths)}${pull.totalN > 0 ? `, ${forceWords(pull.totalN, forces)}` : ''}`}
        </Words>
        <Words kind="small" tone="quiet">
          {age}
        </Words>
      </Pressable>
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
  const { line } = usePalette();
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
            ? 'nobody said when they went on'
            : Math.max(...ages) - Math.min(...ages) < 7 * 86_400_000
              ? `all ${lastingWords(Math.max(...ages))} on`
              : `${lastingWords(Math.min(...ages))} to ${lastingWords(Math.max(...ages))} on`;
        return (
          <View key={octave}>
            <Pressable
              role="button"
              aria-expanded={open === octave}
              aria-label={`Octave ${octave}, ${inside.length} strings, ${span}`}
              onPress={() => setOpen(open === octave ? null : octave)}
              style={{ minHeight: TOUCH, paddingVertical: GAP.small, borderBottomWidth: 1, borderBottomColor: line }}
            >
              <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center' }}>
                <Words kind="strong">{`Octave ${octave}`}</Words>
                <StateMark state={worst.state} />
              </View>
              <Words kind="small" tone="quiet">{`${inside.length} strings, ${span}`}</Words>
            </Pressable>
            {open === octave && (
              <View role="list" aria-label={`Strings of octave ${octave}`} style={{ paddingLeft: GAP.one }}>
                {inside.map((string) => (
                  <StringRow
                    key={string.position}
                    string={string}
                    instrument={instrument}
                    nowMs={nowMs}
                    onPick={onPick}
                  />
                ))}
              </View>
            )}
          </View>
        );
      })}
    </View>
  );
}

export const StringsRoute = ofInstrument(StringsScreen);
