import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { Refused, sentenceOf } from '@/state/api';
import { changeInstrument, useHousehold } from '@/state/household';
import { present } from '@/state/persons';
import { playersOf } from '@tembrin/core/assess';
import { notify } from '@/state/notice';
import { lengthFigure, type LengthUnit } from '@/copy/measures';
import { readLength } from '@/copy/typed';
import { readNumber } from '@/copy/numbers';
import { usePreferences } from '@/state/preferences';
import { hasOneLength, openStrings, temperamentOf } from '@tembrin/core/strings';
import { noteName, noteOf } from '@tembrin/core/pitch';
import {
  layoutOf,
  stringingSchema,
  stringsOf,
  withLayout,
  type StringLayout,
  type Stringing,
} from '@tembrin/core/instruments';
import { copy } from '@/copy/screens/strings/strung-form';

/** The notes as typed, each by itself or a harp’s range; a sentence where they cannot be read. */
export function tuningFrom(
  text: { notes: string; from: string; to: string },
  instrument: Instrument,
): number[] | string {
  if (!hasOneLength(instrument)) {
    const [from, to] = [noteOf(text.from), noteOf(text.to)];
    if (from === null || to === null) return copy.writeANoteWith;
    const strings = stringsOf({ from, to });
    return strings.length === 0 || strings.length > 60 ? copy.fromTheLowestNote : strings;
  }
  const names = text.notes.trim().split(/[\s,]+/);
  const notes = names.map(noteOf);
  const wrong = names.find((_, at) => notes[at] === null);
  if (wrong !== undefined) return copy.isNoNoteWrite(wrong);
  if (notes.length !== instrument.stringCount) return copy.notesForStringsGive(notes.length, instrument.stringCount);
  return notes as number[];
}

type Typed = Pick<Stringing, 'sweat' | 'temperament'> & {
  length: string;
  /** By string, lowest first. */
  lengths: readonly string[];
  a4Hz: string;
  postMm: string;
};

/** The stringing as typed; numbers that cannot be read are NaN, and told by its schema. @param tuning null: as it is usual */
function stringingFrom(typed: Typed, tuning: number[] | null, { stringing }: Instrument, unit: LengthUnit): Stringing {
  const lengthOf = (text: string) => (text.trim() === '' ? null : readLength(text, unit));
  const lengths = typed.lengths.map(lengthOf);
  return {
    ...stringing,
    lengthMm: lengthOf(typed.length),
    lengthsMm: lengths.some((length) => length !== null) ? lengths : null,
    tuning,
    a4Hz: readNumber(typed.a4Hz) ?? NaN,
    temperament: typed.temperament,
    sweat: typed.sweat,
    postMm: readLength(typed.postMm, unit),
  };
}

/** What a harp's strings are typed as: their range; what others' are: their notes. */
function textOf(instrument: Instrument, unit: LengthUnit) {
  const { stringing } = instrument;
  const open = openStrings(instrument);
  return {
    notes: open.map(({ note }) => noteName(note)).join(' '),
    from: noteName(open[0]!.note),
    to: noteName(open.at(-1)!.note),
    length: lengthFigure(stringing.lengthMm, unit),
    lengths: open.map((_, at) => lengthFigure(stringing.lengthsMm?.[at] ?? null, unit)),
    a4Hz: String(stringing.a4Hz),
    postMm: lengthFigure(stringing.postMm, unit),
  };
}

/** How an instrument is strung, as typed, and keeping it. */
export function useStrungForm(kept: Instrument) {
  const unit = usePreferences((state) => state.lengths);
  /** As it will be: a layout that is chosen changes its strings. */
  const [instrument, setInstrument] = useState(kept);
  const { family } = instrument;
  /** Strings of as many lengths: told by their range. */
  const harp = !hasOneLength(instrument);
  const [text, setText] = useState(() => textOf(kept, unit));
  const [sweat, setSweat] = useState(kept.stringing.sweat);
  const [temperament, setTemperament] = useState(temperamentOf(kept));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const household = useHousehold((state) => state.household)!;
  const ownHands = playersOf(kept.id, present(household)).flatMap(({ hands, name }) => (hands ? [name] : []));
  const change = (more: Partial<typeof text>) => {
    setErrors({});
    setText({ ...text, ...more });
  };
  const choose = (layout: StringLayout) => {
    const next = withLayout(instrument, layout);
    const { notes, from, to, length, lengths } = textOf(next, unit);
    setInstrument(next);
    change({ notes, from, to, length, lengths });
  };
  const tuning = tuningFrom(text, instrument);
  /** The strings as typed so far; those there were where that cannot be read. */
  const strung =
    typeof tuning === 'string'
      ? instrument
      : { ...instrument, stringCount: tuning.length, stringing: { ...instrument.stringing, tuning } };

  const save = async () => {
    const wrong: Record<string, string> = typeof tuning === 'string' ? { tuning } : {};
    const lengths = strung.stringCount === text.lengths.length ? text.lengths : [];
    const typed = { ...text, lengths, sweat, temperament };
    const wanted = stringingFrom(typed, typeof tuning === 'string' ? null : tuning, instrument, unit);
    const checked = stringingSchema.safeParse(wanted);
    for (const { path, message } of checked.error?.issues ?? []) wrong[path.join('.')] ??= message;
    setErrors(wrong);
    if (!checked.success || typeof tuning === 'string') return;
    setBusy(true);
    setProblem(null);
    try {
      const { id: _id, addedAt: _addedAt, version: _version, ...facts } = instrument;
      await changeInstrument(kept, { ...facts, stringCount: tuning.length, stringing: checked.data });
      router.replace({ pathname: '/kit/[id]/on', params: { id: kept.id } });
      notify('Changed.');
    } catch (error) {
      if (error instanceof Refused && error.problem.fields) setErrors(error.problem.fields);
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  return {
    unit,
    family,
    ownHands,
    harp,
    text,
    strung,
    layout: layoutOf(strung),
    choose,
    sweat,
    setSweat,
    temperament,
    setTemperament,
    errors,
    problem,
    busy,
    change,
    save,
    instrument,
  };
}

export type StrungFormModel = ReturnType<typeof useStrungForm>;
