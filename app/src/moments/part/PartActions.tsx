import type { Thread } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { act } from '@/state/doing';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { DoneSheet, type DoneKind } from './DoneSheet';

interface PartActionsProps {
  thread: Thread;
  instrument: Instrument;
  nowMs: number;
}

/** What can be done about a part, there and then. */
export function PartActions({ thread, instrument, nowMs }: PartActionsProps) {
  const [sheet, setSheet] = useState<{ kind: DoneKind; asked: boolean } | null>(null);
  const unknown = thread.state === 'unknown';
  const first = primaryOf(thread, instrument, unknown, (kind) => setSheet({ kind, asked: unknown }));
  useKeys({ d: { label: first.title, run: first.run } });
  return (
    <>
      <Button title={first.title} onPress={first.run} hotkey="d" />
      {thread.part === 'hair' && (
        <Button
          rank="outline"
          title="Looked it over, still good"
          onPress={() =>
            void act(instrument.id, [{ type: 'hair-looked-over', payload: {} }], 'The look at the hair is on record.')
          }
        />
      )}
      {thread.part === 'strings' && unknown && (
        <Button rank="outline" title="Fitted new strings" onPress={() => setSheet({ kind: 'strings', asked: false })} />
      )}
      {sheet && <DoneSheet {...sheet} instrument={instrument} nowMs={nowMs} onClose={() => setSheet(null)} />}
    </>
  );
}

function primaryOf(
  thread: Thread,
  { id }: Instrument,
  unknown: boolean,
  open: (kind: DoneKind) => void,
): { title: string; run: () => void } {
  switch (thread.part) {
    case 'strings':
      return { title: unknown ? 'Say when they were fitted' : 'Fitted new strings', run: () => open('strings') };
    case 'hair':
      return { title: unknown ? 'Say when it was rehaired' : 'Rehaired', run: () => open('hair') };
    case 'checkup':
      return { title: unknown ? 'Say when it was looked over' : 'Had a checkup', run: () => open('checkup') };
    case 'rosin':
      return {
        title: 'Rosined now',
        run: () => void act(id, [{ type: 'rosined', payload: {} }], 'Rosined. The count starts again.'),
      };
    case 'residue': {
      const dirty = thread.zones.filter(({ since }) => since !== null);
      const zones = dirty.length > 0 ? dirty : thread.zones;
      const drafts = zones.map(({ step }) => ({ type: 'step-done' as const, payload: { step, sessionId: null } }));
      return { title: 'Wiped now', run: () => void act(id, drafts, 'Wiped. All zones are clean.') };
    }
  }
}
