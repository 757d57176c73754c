import type { Instrument } from '@tembrin/contract';
import { DOER_TITLES } from '@tembrin/contract/year-words';
import { useState } from 'react';
import { act } from '@/state/actions';
import { useHousehold } from '@/state/household';
import { useStrings } from '@/state/assessments';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { REASON_NAMES } from '@/copy/names';
import type { BegunCopy } from '@/copy/parts';
import { useSetChoices } from '../strings/sets';
import { StringRange } from '../strings/StringRange';
import { WhenField } from './WhenField';
import { whenToMs, type When } from './when';
import { stringNames, type StringSpec } from '@tembrin/core/instruments';
import type { Doer, FitReason } from '@tembrin/core/log';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/part/fitted-sheet';

export interface FittedSheetProps {
  instrument: Instrument;
  begun: BegunCopy;
  nowMs: number;
  onClose: () => void;
}

const SAME = 'same';
const NOT_SAID = 'not-said';
const WHY: readonly FitReason[] = ['worn', 'broke', 'frayed', 'experiment', 'set'];

/** Records that strings were fitted: when, which, what they are, why, and by whom. */
export function FittedSheet({ instrument, begun, nowMs, onClose }: FittedSheetProps) {
  const { timeZone } = useHousehold((state) => state.household)!;
  const names = stringNames(instrument);
  const [whole, setWhole] = useState(true);
  const [which, setWhich] = useState<number[]>([]);
  const [why, setWhy] = useState<FitReason>('worn');
  const [by, setBy] = useState<Doer>(instrument.setUp.player === 'child' ? 'teacher' : 'self');
  const [what, setWhat] = useState<string>(SAME);
  const { on } = useStrings(instrument);
  const sets = useSetChoices(instrument);
  const [when, setWhen] = useState<When>({ kind: 'ago', months: 0 });
  const at = whenToMs(when, nowMs, timeZone);
  const missing = at === null ? 'Say when.' : !whole && which.length === 0 ? copy.chooseWhichStrings : null;

  const save = async () => {
    if (at === null) return;
    onClose();
    const strings = whole ? null : [...which].sort((a, b) => a - b);
    const set = sets.find(({ key }) => key === what);
    const positions = strings ?? on.map(({ position }) => position);
    const specs = positions.map((position): StringSpec | null =>
      what === SAME ? (on[position]?.spec ?? null) : (set?.strings[position] ?? null),
    );
    const spares = set?.spareId ? positions.map(() => set.spareId) : null;
    const payload = { strings, reason: why, known: true, by, specs, ...(spares && { spares }) };
    await act(instrument.id, [{ type: 'strings-fitted', at, payload }], begun.recorded);
  };
  return (
    <Sheet
      title={begun.title}
      onClose={onClose}
      foot={<Button title={missing ?? PUT_ON_RECORD} disabled={missing !== null} onPress={() => void save()} />}
    >
      <WhenField label={begun.question} value={when} onChange={setWhen} nowMs={nowMs} timeZone={timeZone} />
      <Choice
        label="Which strings?"
        options={[
          { value: true, title: copy.theWholeSet },
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
        label={copy.whatWentOn}
        options={[
          { value: SAME, title: copy.theSameAsBefore },
          ...sets.map(({ key, title }) => ({ value: key, title })),
          { value: NOT_SAID, title: 'Say later' },
        ]}
        value={what}
        onChange={setWhat}
      />
      <Choice
        label={copy.whoFittedThem}
        options={(['self', 'teacher', 'workshop'] as const).map((value) => ({ value, title: DOER_TITLES[value] }))}
        value={by}
        onChange={setBy}
      />
    </Sheet>
  );
}
