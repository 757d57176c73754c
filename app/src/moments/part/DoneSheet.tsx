import { stringNames, type Doer, type FitReason, type StringSpec } from '@tembrin/core';
import { DOER_TITLES, type Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { act } from '@/state/doing';
import type { Draft } from '@/state/log';
import { useHousehold } from '@/state/household';
import { useStrings } from '@/state/strings';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { REASON_NAMES } from '@/words/names';
import { useSetChoices } from '../strings/sets';
import { StringRange } from '../strings/StringRange';
import { WhenField } from './WhenField';
import { whenToMs, type When } from './when';

export type DoneKind = 'strings' | 'hair' | 'checkup' | 'regulation';

interface DoneSheetProps {
  kind: DoneKind;
  instrument: Instrument;
  nowMs: number;
  /** It was done before, and only its date is asked for. */
  asked: boolean;
  onClose: () => void;
}

const TITLES: Readonly<Record<DoneKind, string>> = {
  strings: 'New strings',
  hair: 'Rehair',
  checkup: 'Checkup',
  regulation: 'Regulation',
};
const QUESTIONS: Readonly<Record<DoneKind, string>> = {
  strings: 'When were they fitted?',
  hair: 'When was it rehaired?',
  checkup: 'When was it looked over?',
  regulation: 'When was it regulated?',
};
const DONE: Readonly<Record<DoneKind, string>> = {
  strings: 'The strings are on record. Their thread starts again.',
  hair: 'The rehair is on record. Its thread starts again.',
  checkup: 'The checkup is on record.',
  regulation: 'The regulation is on record.',
};

const SAME = 'same';
const NOT_SAID = 'not-said';
const WHY: readonly FitReason[] = ['worn', 'broke', 'frayed', 'experiment', 'set'];

/** Records that something was done: when, and for strings which and why. */
export function DoneSheet({ kind, instrument, nowMs, asked, onClose }: DoneSheetProps) {
  const { timeZone } = useHousehold((state) => state.household)!;
  const names = stringNames(instrument);
  const [whole, setWhole] = useState(true);
  const [which, setWhich] = useState<number[]>([]);
  const [why, setWhy] = useState<FitReason>(asked ? 'on-record' : 'worn');
  const [by, setBy] = useState<Doer>(instrument.setUp.player === 'child' ? 'teacher' : 'self');
  const [what, setWhat] = useState<string>(SAME);
  const { on } = useStrings(instrument);
  const sets = useSetChoices(instrument);
  const [when, setWhen] = useState<When>(asked ? { kind: 'unsaid' } : { kind: 'ago', months: 0 });
  const at = whenToMs(when, nowMs, timeZone);
  const missing =
    at === null ? 'Say when.' : kind === 'strings' && !whole && which.length === 0 ? 'Choose which strings.' : null;

  const save = async () => {
    if (at === null) return;
    onClose();
    const strings = whole ? null : [...which].sort((a, b) => a - b);
    if (kind !== 'strings' || asked)
      return void (await act(instrument.id, [draftOf(kind, at, strings, why)], DONE[kind]));
    const set = sets.find(({ key }) => key === what);
    const positions = strings ?? on.map(({ position }) => position);
    const specs = positions.map((position): StringSpec | null =>
      what === SAME ? (on[position]?.spec ?? null) : (set?.strings[position] ?? null),
    );
    const spares = set?.spareId ? positions.map(() => set.spareId) : null;
    const payload = { strings, reason: why, known: true, by, specs, ...(spares && { spares }) };
    await act(instrument.id, [{ type: 'strings-fitted', at, payload }], DONE[kind]);
  };
  return (
    <Sheet
      title={TITLES[kind]}
      onClose={onClose}
      foot={<Button title={missing ?? 'Put it on record'} disabled={missing !== null} onPress={() => void save()} />}
    >
      <WhenField label={QUESTIONS[kind]} value={when} onChange={setWhen} nowMs={nowMs} timeZone={timeZone} />
      {kind === 'strings' && !asked && (
        <>
          <Choice
            label="Which strings?"
            options={[
              { value: true, title: 'The whole set' },
              { value: false, title: 'Some' },
            ]}
            value={whole}
            onChange={(all) => {
              setWhole(all);
              setWhy(all ? 'worn' : 'broke');
            }}
          />
          {!whole && names.length > 12 && <StringRange instrument={instrument} empty onChange={setWhich} />}
          {!whole && names.length <= 12 && (
            <Choices
              label="Strings"
              options={names.map((title, value) => ({ value, title }))}
              values={which}
              onChange={setWhich}
            />
          )}
          <Choice
            label="Why?"
            options={WHY.map((value) => ({ value, title: REASON_NAMES[value] }))}
            value={why}
            onChange={setWhy}
          />
          <Choice
            label="What went on?"
            options={[
              { value: SAME, title: 'The same as before' },
              ...sets.map(({ key, title }) => ({ value: key, title })),
              { value: NOT_SAID, title: 'Say later' },
            ]}
            value={what}
            onChange={setWhat}
          />
          <Choice
            label="Who fitted them?"
            options={(['self', 'teacher', 'workshop'] as const).map((value) => ({ value, title: DOER_TITLES[value] }))}
            value={by}
            onChange={setBy}
          />
        </>
      )}
    </Sheet>
  );
}

function draftOf(kind: DoneKind, at: number, strings: number[] | null, reason: FitReason): Draft {
  switch (kind) {
    case 'strings':
      return { type: 'strings-fitted', at, payload: { strings, reason, known: true } };
    case 'hair':
      return { type: 'rehaired', at, payload: { reason: reason === 'on-record' ? 'on-record' : 'worn', known: true } };
    case 'checkup':
      return { type: 'checked-up', at, payload: { known: true } };
    case 'regulation':
      return { type: 'regulated', at, payload: { known: true } };
  }
}
