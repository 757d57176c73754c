import type { Thread } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { act } from '@/state/doing';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { DoneSheet, type DoneKind } from './DoneSheet';

type PartDone = Exclude<DoneKind, 'regulation'>;
const DO: Readonly<Record<PartDone, string>> = {
  strings: 'Fitted new strings',
  hair: 'Rehaired',
  checkup: 'Had a checkup',
};
const ASK: Readonly<Record<PartDone, string>> = {
  strings: 'Say when they were fitted',
  hair: 'Say when it was rehaired',
  checkup: 'Say when it was looked over',
};

interface PartActionsProps {
  thread: Thread;
  instrument: Instrument;
  nowMs: number;
}

/** What can be done about a part, there and then. */
export function PartActions({ thread, instrument, nowMs }: PartActionsProps) {
  const [sheet, setSheet] = useState<{ kind: DoneKind; asked: boolean } | null>(null);
  const { dateMissing, state } = thread;
  // Where only the date is missing it is asked for first; where the part is due all the same, doing it comes first.
  const asking = dateMissing && state === 'unknown';
  const open = (kind: DoneKind, asked: boolean) => setSheet({ kind, asked });
  const first = actionOf(thread, instrument, asking, open);
  const second = dateMissing ? actionOf(thread, instrument, !asking, open) : null;
  useKeys({ d: { label: first.title, run: first.run } });
  return (
    <>
      <Button title={first.title} onPress={first.run} hotkey="d" />
      {thread.part === 'hair' && !dateMissing && (
        <Button
          rank="outline"
          title="Looked it over, still good"
          onPress={() =>
            void act(instrument.id, [{ type: 'hair-looked-over', payload: {} }], 'The look at the hair is on record.')
          }
        />
      )}
      {thread.part === 'strings' && (
        <Button
          rank="outline"
          title="Change them step by step"
          onPress={() => router.push({ pathname: '/bench/change', params: { id: instrument.id } })}
        />
      )}
      {second && <Button rank="outline" title={second.title} onPress={second.run} />}
      {sheet && <DoneSheet {...sheet} instrument={instrument} nowMs={nowMs} onClose={() => setSheet(null)} />}
    </>
  );
}

/** Doing it, or saying when it was done (`asked`). */
function actionOf(
  thread: Thread,
  { id }: Instrument,
  asked: boolean,
  open: (kind: DoneKind, asked: boolean) => void,
): { title: string; run: () => void } {
  switch (thread.part) {
    case 'strings':
    case 'hair':
    case 'checkup': {
      const kind = thread.part;
      return { title: (asked ? ASK : DO)[kind], run: () => open(kind, asked) };
    }
    case 'air':
      return {
        title: 'Its wood and what to do',
        run: () => router.push({ pathname: '/air/wood/[id]', params: { id } }),
      };
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
