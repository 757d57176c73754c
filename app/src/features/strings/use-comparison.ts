import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { usePreferences } from '@/state/preferences';
import { useStrings } from '@/state/assessments';
import { lengthFigure } from '@/copy/measures';
import { readLength } from '@/copy/typed';
import { readNumber } from '@/copy/numbers';
import { listWords } from '@/copy/lists';
import { chartNames } from '@/copy/strings';
import { useSetChoices } from './sets';
import { A4_RANGE_HZ } from '@tembrin/core/pitch';
import { compareStrung, hasOneLength, openStrings, usualTuning } from '@tembrin/core/strings';
import { layoutOf, variantOf } from '@tembrin/core/instruments';

export const SAME = 'same';

/** Semitones within which a tuning is one of the same strings. */
const RETUNED = 4;
const isNear = (notes: readonly number[], strings: readonly { note: number }[]) =>
  notes.length === strings.length && notes.every((note, at) => Math.abs(note - strings[at]!.note) <= RETUNED);

/** What is on beside what could be: another set, tuning, A or length. */
export function useComparison(instrument: Instrument) {
  const { on } = useStrings(instrument);
  const { forces, lengths } = usePreferences();
  const sets = useSetChoices(instrument);
  const { stringing, family, kind, stringCount } = instrument;
  const now = openStrings(instrument);
  const [setKey, setSetKey] = useState<string>(SAME);
  const [tuning, setTuning] = useState<string>(SAME);
  const [a4, setA4] = useState(String(stringing.a4Hz));
  const [length, setLength] = useState(lengthFigure(now.at(-1)!.lengthMm, lengths));

  const tunings = [
    { title: 'As usual', notes: layoutOf(instrument)?.notes ?? usualTuning(family, kind, stringCount) },
    ...variantOf(instrument).otherTunings.filter(({ notes }) => isNear(notes, now)),
  ];
  const a4Hz = readNumber(a4);
  const a4Wrong = a4Hz === null || a4Hz < A4_RANGE_HZ.least || a4Hz > A4_RANGE_HZ.most;
  const lengthMm = readLength(length, lengths);
  const lengthWrong = !(lengthMm >= 40 && lengthMm <= 2000);
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
  return {
    forces,
    lengths,
    sets,
    family,
    setKey,
    setSetKey,
    tuning,
    setTuning,
    a4,
    setA4,
    length,
    setLength,
    tunings,
    a4Wrong,
    lengthWrong,
    chosen,
    after,
    change,
    names,
    named,
    instrument,
  };
}

export type ComparisonModel = ReturnType<typeof useComparison>;
