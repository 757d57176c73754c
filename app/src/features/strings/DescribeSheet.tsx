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
import { openStrings, specIn, strengthOf } from '@tembrin/core/strings';
import type { Fitting } from '@tembrin/core/log';
import type { StringSpec } from '@tembrin/core/instruments';

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
  return fittings.flatMap((fitting): Draft[] => {
    const positions = fitting.strings ?? Array.from({ length: stringCount }, (_, at) => at);
    const specs = positions.map((position) => specOf(position) ?? specIn(fitting, position));
    const { eventId, at, ...payload } = fitting;
    return [
      { type: 'retracted', payload: { eventId } },
      { type: 'strings-fitted', at, payload: { ...payload, strings: fitting.strings && [...fitting.strings], specs } },
    ];
  });
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
      await addCards([{ kind: 'set', facts }], 'Kept as a set of your own. Rename it in the cupboard.');
    } catch (error) {
      notifyProblem(sentenceOf(error));
    }
  };
  return (
    <Sheet
      title="What is on"
      onClose={onClose}
      foot={
        <>
          <Button
            title={chosen ? 'That is on' : 'Choose a description'}
            disabled={!chosen}
            onPress={() => void save()}
          />
          {on.some(({ spec }) => spec) && (
            <Button rank="plain" title="Keep what is on as a set of your own" onPress={() => void keepOwn()} />
          )}
        </>
      }
    >
      <Text tone="quiet">
        In general terms; a string that differs is put right by itself afterwards. Dates stay as they are.
      </Text>
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
    await act(instrument.id, drafts, `The ${name} is described.`);
  };
  return (
    <Sheet title={name} onClose={onClose} foot={<Button title="Put it on record" onPress={() => void save()} />}>
      {strength && strength.safeAbove < 0 && (
        <Banner
          tone="now"
          text={
            strength.toBreaking <= 0
              ? `At ${open.lengthMm} mm this note would break it. Choose another string, or check gauge, length and note.`
              : 'At this length and note it stands past what is safe. Bring it up no higher.'
          }
        />
      )}
      {strength && strength.safeAbove >= 0 && (
        <Text kind="small" tone="quiet">
          {`At ${Math.round(strength.share * 100)} % of its strength here; safe for ${strength.safeAbove.toFixed(1)} semitones more, and breaks ${strength.toBreaking.toFixed(1)} above.`}
        </Text>
      )}
      <SpecFields value={text} onChange={setText} errors={errors} />
    </Sheet>
  );
}
