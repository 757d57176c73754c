import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { Refused, sentenceOf } from '@/state/api';
import { changeInstrument } from '@/state/household';
import { notify } from '@/state/notice';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { readNumber } from '@/copy/measures';
import { ofInstrument } from '../kit/for-instrument';
import { hasOneLength, openStrings, temperamentOf, usualLengthMm } from '@tembrin/core/strings';
import { noteName, noteOf, TEMPERAMENTS } from '@tembrin/core/pitch';
import { recordOf, stringingSchema, stringsOf, SWEATS, variantOf, type Stringing } from '@tembrin/core/instruments';
import { Stack } from '@/ui/layout';
import { copy, SWEAT_TITLES } from '@/copy/screens/strings/strung-form';
const TEMPERAMENT_TITLES = { fifths: 'Pure fifths', equal: 'Equal temperament' } as const;

/** How an instrument is strung and tuned: notes, length, its A, its temperament, the player's hands. */
function StrungForm({ instrument }: { instrument: Instrument }) {
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

  /** The notes as typed: each by itself, or a harp's range. */
  const tuningOf = (): number[] | string => {
    if (harp) {
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
  };
  const save = async () => {
    const tuning = tuningOf();
    const wrong: Record<string, string> = typeof tuning === 'string' ? { tuning } : {};
    const wanted: Stringing = {
      ...stringing,
      lengthMm: text.length.trim() === '' ? null : (readNumber(text.length) ?? NaN),
      lengthsMm:
        harp && typeof tuning !== 'string' && stringing.lengthsMm?.length !== tuning.length
          ? null
          : stringing.lengthsMm,
      tuning: typeof tuning === 'string' ? null : tuning,
      a4Hz: readNumber(text.a4Hz) ?? NaN,
      temperament,
      sweat,
      postMm: readNumber(text.postMm) ?? NaN,
    };
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
  return (
    <Screen
      title={copy.strungAndTuned}
      back={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
      foot={<Button title="Save" busy={busy} onPress={() => void save()} />}
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      <Stack gap="more">
        {harp ? (
          <>
            <Choice
              label={copy.aCommonRange}
              options={variantOf(instrument).layouts.map(({ title, from, to }) => ({
                value: `${noteName(from)} ${noteName(to)}`,
                title: `${title}, ${noteName(from)} to ${noteName(to)}`,
              }))}
              value={`${text.from} ${text.to}`}
              onChange={(range) => {
                const [from, to] = range.split(' ') as [string, string];
                change({ from, to });
              }}
            />
            <Field
              label="Lowest string"
              value={text.from}
              onChangeText={(from) => change({ from })}
              error={errors.tuning}
            />
            <Field label="Highest string" value={text.to} onChangeText={(to) => change({ to })} />
          </>
        ) : (
          <>
            <Field
              label={copy.notesTheLowestString}
              value={text.notes}
              onChangeText={(notes) => change({ notes })}
              error={errors.tuning}
            />
            <Field
              label={copy.nutToBridgeIn}
              hint={copy.leaveItEmptyFor(usualLengthMm(family, kind, size, 60))}
              inputMode="decimal"
              value={text.length}
              onChangeText={(length) => change({ length })}
              error={errors.lengthMm}
            />
          </>
        )}
        <Field
          label={copy.aInHz}
          inputMode="decimal"
          value={text.a4Hz}
          onChangeText={(a4Hz) => change({ a4Hz })}
          error={errors.a4Hz}
        />
        <Choice
          label="Tuned in"
          options={TEMPERAMENTS.map((value) => ({ value, title: TEMPERAMENT_TITLES[value] }))}
          value={temperament}
          onChange={setTemperament}
        />
        <Choice
          label={copy.thePlayersHands}
          options={SWEATS.map((value) => ({ value, title: SWEAT_TITLES[value] }))}
          value={sweat}
          onChange={setSweat}
        />
        {recordOf(family).strings.held === 'post' && (
          <Field
            label={copy.diameterOfATuning}
            hint={copy.itTellsHowMuch}
            inputMode="decimal"
            value={text.postMm}
            onChangeText={(postMm) => change({ postMm })}
            error={errors.postMm}
          />
        )}
        {harp && (
          <Text kind="small" tone="quiet">
            {copy.lengthsOfTheStrings}
          </Text>
        )}
      </Stack>
    </Screen>
  );
}

export const StrungRoute = ofInstrument(StrungForm);
