import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { act } from '@/state/actions';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { copyOf } from '@/copy/parts';
import { unlessGone } from '../unless-gone';
import { DoneSheet } from './DoneSheet';
import { FittedSheet } from '../strings/routes';
import type { Finding } from '@tembrin/core/log';
import { beginsAnew, partOf, type PartEntry, type PartId, type Thread } from '@tembrin/core/parts';
import { copy } from '@/copy/screens/part/part-actions';

interface PartActionsProps {
  thread: Thread;
  instrument: Instrument;
  /** Which bow its entries are about, where that has to be said. */
  bow: { bowId?: string };
  nowMs: number;
}

/** What can be done about a part, there and then. */
export function PartActions({ thread, instrument, bow, nowMs }: PartActionsProps) {
  const [sheet, setSheet] = useState<'done' | 'asked' | null>(null);
  const { dateMissing, state } = thread;
  // Where only the date is missing it is asked for first; where the part is due all the same, doing it comes first.
  const asking = dateMissing && state === 'unknown';
  const { begun } = copyOf(thread.part);
  const first = actionOf(thread, instrument, bow, asking, setSheet);
  const second = dateMissing ? actionOf(thread, instrument, bow, !asking, setSheet) : null;
  useKeys({ d: { label: first.title, run: first.run } });
  return (
    <>
      <Button title={first.title} onPress={first.run} hotkey="d" />
      {canBeStillGood(thread) && (
        <Button
          rank="outline"
          title={copy.lookedItOverStill}
          onPress={() => stillGood(instrument.id, thread.part, bow)}
        />
      )}
      {thread.part === 'checkup' && thread.found.length > 0 && (
        <Button rank="outline" title={copy.foundIsSeenTo} onPress={() => seenTo(instrument.id, thread.found)} />
      )}
      {thread.part === 'strings' && (
        <Button
          rank="outline"
          title={copy.changeThemStepBy}
          onPress={() => router.push({ pathname: '/bench/change', params: { id: instrument.id } })}
        />
      )}
      {second && <Button rank="outline" title={second.title} onPress={second.run} />}
      {sheet !== null && begun && thread.part === 'strings' && sheet === 'done' ? (
        <FittedSheet instrument={instrument} begun={begun} nowMs={nowMs} onClose={() => setSheet(null)} />
      ) : (
        sheet !== null &&
        begun && (
          <DoneSheet
            instrument={instrument}
            begun={begun}
            entry={withBow(partOf(thread.part).begun!(true, sheet === 'asked'), bow)}
            nowMs={nowMs}
            asked={sheet === 'asked'}
            onClose={() => setSheet(null)}
          />
        )
      )}
    </>
  );
}

/** Puts on record that the workshop has seen to what was found. */
function seenTo(instrumentId: string, found: readonly Finding[]): void {
  void act(
    instrumentId,
    found.map(({ eventId }) => ({ type: 'finding-settled' as const, payload: { findingId: eventId, how: 'seen-to' } })),
    copy.foundWasSeenTo,
  );
}

/** Whether it is offered to say that it was looked at and found good, without a round. */
const canBeStillGood = ({ part, state }: Thread) =>
  part === 'hair-look' || ((part === 'hair' || part === 'strings') && (state === 'now' || state === 'soon'));

/** The look at the bow: the bow part of the look-over. */
async function lookAtBow(instrumentId: string, bow: { bowId?: string }): Promise<void> {
  const goOn = unlessGone(() => router.push('/bench/looking'));
  const payload = { extent: 'bow', by: 'player', ...bow } as const;
  const begun = await act(instrumentId, [{ type: 'look-over-began', payload }], null);
  if (begun.length === 0) return;
  usePreferences.getState().putOnStand(instrumentId);
  goOn();
}

/** Puts on record that a part was looked at and found still good: it lasts at least so long. */
function stillGood(instrumentId: string, part: PartId, bow: { bowId?: string }): void {
  if (part === 'strings')
    void act(instrumentId, [{ type: 'strings-looked-over', payload: {} }], copy.stillGood.strings);
  else void act(instrumentId, [{ type: 'hair-looked-over', payload: bow }], copy.stillGood.hair);
}

/** An entry that says which bow it is about, where it is about one. */
function withBow(entry: PartEntry, bow: { bowId?: string }): PartEntry {
  return entry.type === 'rehaired' ? { ...entry, payload: { ...entry.payload, ...bow } } : entry;
}

/** Doing it, or saying when it was done (`asked`). */
function actionOf(
  thread: Thread,
  { id }: Instrument,
  bow: { bowId?: string },
  asked: boolean,
  open: (sheet: 'done' | 'asked') => void,
): { title: string; run: () => void } {
  if (beginsAnew(thread)) {
    const { ask, done } = copyOf(thread.part).begun!;
    return { title: asked ? ask : done, run: () => open(asked ? 'asked' : 'done') };
  }
  switch (thread.part) {
    case 'air':
      return {
        title: copy.itsWoodAndWhat,
        run: () => router.push({ pathname: '/air/wood/[id]', params: { id } }),
      };
    case 'hair-look':
      return { title: copy.lookAtTheBow, run: () => void lookAtBow(id, bow) };
    case 'rosin':
      return {
        title: 'Rosined now',
        run: () => void act(id, [{ type: 'rosined', payload: bow }], copy.rosinedTheCountStarts),
      };
    case 'residue': {
      const dirty = thread.zones.filter(({ since }) => since !== null);
      const zones = dirty.length > 0 ? dirty : thread.zones;
      const drafts = zones.map(({ step }) => ({ type: 'step-done' as const, payload: { step, sessionId: null } }));
      return { title: 'Wiped now', run: () => void act(id, drafts, copy.wipedAllZonesAre) };
    }
  }
}
