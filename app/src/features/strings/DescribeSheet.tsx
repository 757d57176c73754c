import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { addCards } from '@/state/cards';
import { act } from '@/state/actions';
import { sentenceOf } from '@/state/api';
import type { Draft } from '@/state/log';
import { notifyProblem } from '@/state/notice';
import { useStrings } from '@/state/assessments';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { noteNames } from '@/copy/strings';
import { readSpec, SpecFields, specText, type SpecText } from './SpecFields';
import { useSetChoices } from './sets';
import { described as describedIn, openStrings, strengthOf } from '@tembrin/core/strings';
import type { Fitting } from '@tembrin/core/log';
import type { StringSpec } from '@tembrin/core/instruments';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/strings/describe-sheet';

/** Says what is on: one string, or the whole set by a description. */
export function DescribeSheet({
  instrument,
  what,
  onClose,
}: {
  instrument: Instrument;
  what: number | 'set';
  onClose: () => void;
}) {
  return what === 'set' ? (
    <DescribeSet instrument={instrument} onClose={onClose} />
  ) : (
    <DescribeString instrument={instrument} position={what} onClose={onClose} />
  );
}

/** Fittings written anew with what is on; the old ones are taken back, so that dates and reasons stay. */
function described(
  fittings: readonly Fitting[],
  stringCount: number,
  specOf: (position: number) => StringSpec | null | undefined,
): Draft[] {
  return fittings.flatMap((fitting): Draft[] => [
    { type: 'retracted', payload: { eventId: fitting.eventId } },
    { type: 'strings-fitted', at: fitting.at, payload: describedIn(fitting, stringCount, specOf) },
  ]);
}

function DescribeSet({ instrument, onClose }: { instrument: Instrument; onClose: () => void }) {
  const { log, on } = useStrings(instrument);
  const sets = useSetChoices(instrument);
  const [key, setKey] = useState<string | null>(null);
  const chosen = sets.find((set) => set.key === key);
  const save = async () => {
    if (!chosen) return;
    onClose();
    const fittings = [...new Set(on.flatMap(({ fitting }) => fitting ?? []))];
    const bare = on.filter(({ fitting }) => fitting === null).map(({ position }) => position);
    const drafts = described(fittings, instrument.stringCount, (position) => chosen.strings[position]);
    if (bare.length > 0) {
      drafts.push({
        type: 'strings-fitted',
        at: log.nowMs,
        payload: {
          strings: bare.length === instrument.stringCount ? null : bare,
          reason: 'on-record',
          known: false,
          specs: bare.map((position) => chosen.strings[position] ?? null),
        },
      });
    }
    await act(instrument.id, drafts, `${chosen.title} is on.`);
  };
  const keepOwn = async () => {
    const specs = on.map(({ spec }) => spec);
    onClose();
    try {
      const facts = {
        title: `As on ${instrument.name}`,
        family: instrument.family,
        kind: instrument.kind,
        strings: specs,
      };
      await addCards([{ kind: 'set', facts }], copy.keptAsASet);
    } catch (error) {
      notifyProblem(sentenceOf(error));
    }
  };
  return (
    <Sheet
      title={copy.whatIsOn}
      onClose={onClose}
      foot={
        <>
          <Button
            title={chosen ? copy.thatIsOn : copy.chooseADescription}
            disabled={!chosen}
            onPress={() => void save()}
          />
          {on.some(({ spec }) => spec) && (
            <Button rank="plain" title={copy.keepWhatIsOn} onPress={() => void keepOwn()} />
          )}
        </>
      }
    >
      <Text tone="quiet">{copy.inGeneralTermsA}</Text>
      <Choice
        label="The set"
        options={sets.map(({ key: value, title }) => ({ value, title }))}
        value={key}
        onChange={setKey}
      />
    </Sheet>
  );
}

function DescribeString({
  instrument,
  position,
  onClose,
}: {
  instrument: Instrument;
  position: number;
  onClose: () => void;
}) {
  const { log, on: all } = useStrings(instrument);
  const on = all[position];
  const open = openStrings(instrument)[position]!;
  const [text, setText] = useState<SpecText>(() => specText(on?.spec ?? null));
  const [errors, setErrors] = useState<Partial<Record<keyof SpecText, string>>>({});
  const name = noteNames(instrument)[position]!;
  const tried = readSpec(text, open, on?.spec ?? null);
  const strength = 'errors' in tried ? null : strengthOf(tried, open.lengthMm, open.hz);
  const save = async () => {
    const spec = readSpec(text, open, on?.spec ?? null);
    if ('errors' in spec) return setErrors(spec.errors);
    onClose();
    const drafts: Draft[] = on?.fitting
      ? described([on.fitting], instrument.stringCount, (at) => (at === position ? spec : undefined))
      : [
          {
            type: 'strings-fitted',
            at: log.nowMs,
            payload: { strings: [position], reason: 'on-record', known: false, specs: [spec] },
          },
        ];
    await act(instrument.id, drafts, copy.theIsDescribed(name));
  };
  return (
    <Sheet title={name} onClose={onClose} foot={<Button title={PUT_ON_RECORD} onPress={() => void save()} />}>
      {strength && strength.safeAbove < 0 && (
        <Banner tone="now" text={strength.toBreaking <= 0 ? copy.atMmThisNote(open.lengthMm) : copy.atThisLengthAnd} />
      )}
      {strength && strength.safeAbove >= 0 && (
        <Text kind="small" tone="quiet">
          {copy.atOfItsStrength(Math.round(strength.share * 100), strength.safeAbove, strength.toBreaking)}
        </Text>
      )}
      <SpecFields value={text} onChange={setText} errors={errors} />
    </Sheet>
  );
}
