import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { optionsOf } from '@/copy/lists';
import { causeTitle, FINDERS } from '@/copy/troubles';
import { copy } from '@/copy/screens/wrong/case';
import type { Doer } from '@tembrin/core/log';
import { CAUSES, concerns, type CauseId } from '@tembrin/core/triage';
import type { CaseModel } from './use-case';

const UNKNOWN = 'unknown';
/** So many of the likeliest are offered; any other is behind one more tap. */
const OFFERED = 5;

/** It is over: what it was, and who found out. It is kept, and counts the next time. */
export function CloseSheet({ instrument, model }: { instrument: Instrument; model: CaseModel }) {
  const { judgement, settle, setClosing } = model;
  const [cause, setCause] = useState<CauseId | typeof UNKNOWN | null>(judgement?.lead ?? null);
  const [all, setAll] = useState(false);
  const [by, setBy] = useState<Doer>('self');
  const [note, setNote] = useState('');
  const likely = (judgement?.causes ?? []).slice(0, OFFERED).map(({ id }) => id);
  const others = (Object.keys(CAUSES) as CauseId[]).filter(
    (id) => concerns(CAUSES[id], instrument) && !likely.includes(id),
  );
  const offered = all ? [...likely, ...others] : likely;
  return (
    <Sheet
      title={copy.whatWasIt}
      onClose={() => setClosing(false)}
      foot={
        <Button
          title={copy.keep}
          disabled={cause === null}
          onPress={() => void settle(cause === UNKNOWN ? null : cause, by, note)}
        />
      }
    >
      <Choice
        label={copy.whatWasIt}
        options={[
          ...offered.map((value) => ({ value: value as CauseId | typeof UNKNOWN, title: causeTitle(value) })),
          { value: UNKNOWN, title: copy.other },
        ]}
        value={cause}
        onChange={setCause}
      />
      {!all && <Button rank="plain" title={copy.allCauses} onPress={() => setAll(true)} start flush />}
      <Choice label={copy.whoFound} options={optionsOf(FINDERS)} value={by} onChange={setBy} />
      <Field label={copy.note} value={note} onChangeText={(text) => setNote(text.slice(0, 300))} />
    </Sheet>
  );
}
