import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { Refused, sentenceOf } from '@/state/api';
import { changeInstrument } from '@/state/household';
import { notify } from '@/state/notice';
import { readNumber } from '@/copy/measures';
import { hasOneLength, openStrings, temperamentOf } from '@tembrin/core/strings';
import { noteName, noteOf } from '@tembrin/core/pitch';
import { stringingSchema, stringsOf, type Stringing } from '@tembrin/core/instruments';
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

/** The stringing as typed; numbers that cannot be read are NaN, and told by its schema. @param tuning null: as it is usual */
function stringingFrom(
  typed: Pick<Stringing, 'sweat' | 'temperament'> & { length: string; a4Hz: string; postMm: string },
  tuning: number[] | null,
  instrument: Instrument,
): Stringing {
  const { stringing } = instrument;
  const others = !hasOneLength(instrument) && tuning !== null && stringing.lengthsMm?.length !== tuning.length;
  return {
    ...stringing,
    lengthMm: typed.length.trim() === '' ? null : (readNumber(typed.length) ?? NaN),
    lengthsMm: others ? null : stringing.lengthsMm,
    tuning,
    a4Hz: readNumber(typed.a4Hz) ?? NaN,
    temperament: typed.temperament,
    sweat: typed.sweat,
    postMm: readNumber(typed.postMm) ?? NaN,
  };
}

/** How an instrument is strung, as typed, and keeping it. */
export function useStrungForm(instrument: Instrument) {
  const { stringing, family, kind, size } = instrument;
  /** Strings of as many lengths: told by their range. */
  const harp = !hasOneLength(instrument);
  const open = openStrings(instrument);
  const [text, setText] = useState({
    notes: open.map(({ note }) => noteName(note)).join(' '),
    from: noteName(open[0]!.note),
    to: noteName(open.at(-1)!.note),
    length: stringing.lengthMm === null ? '' : String(stringing.lengthMm),
    a4Hz: String(stringing.a4Hz),
    postMm: String(stringing.postMm),
  });
  const [sweat, setSweat] = useState(stringing.sweat);
  const [temperament, setTemperament] = useState(temperamentOf(instrument));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const change = (more: Partial<typeof text>) => {
    setErrors({});
    setText({ ...text, ...more });
  };

  const save = async () => {
    const tuning = tuningFrom(text, instrument);
    const wrong: Record<string, string> = typeof tuning === 'string' ? { tuning } : {};
    const wanted = stringingFrom(
      { ...text, sweat, temperament },
      typeof tuning === 'string' ? null : tuning,
      instrument,
    );
    const checked = stringingSchema.safeParse(wanted);
    for (const { path, message } of checked.error?.issues ?? []) wrong[String(path[0])] ??= message;
    setErrors(wrong);
    if (!checked.success || typeof tuning === 'string') return;
    setBusy(true);
    setProblem(null);
    try {
      const { id: _id, addedAt: _addedAt, version: _version, ...facts } = instrument;
      const stringCount = harp ? tuning.length : facts.stringCount;
      await changeInstrument(instrument, { ...facts, stringCount, stringing: checked.data });
      router.replace({ pathname: '/kit/[id]/on', params: { id: instrument.id } });
      notify('Changed.');
    } catch (error) {
      if (error instanceof Refused && error.problem.fields) setErrors(error.problem.fields);
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  return {
    family,
    kind,
    size,
    harp,
    text,
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
