import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useRef } from 'react';
import { takeBack } from '@/state/actions';
import type { InstrumentAssessment } from '@/state/assessments';
import { notify } from '@/state/notice';
import type { LookId, Verdict } from '@tembrin/core/instruments';
import type { LookStep, RoundUnderWay } from '@tembrin/core/looks';
import type { Draft } from '@/state/log';
import { LOOK_DATA } from '@tembrin/core/instruments';
import { copy } from '@/copy/screens/look/round';
import { copy as ended } from '@/copy/screens/look/looked';
import { useAnswer } from './use-answer';
import { actWithPhoto } from './with-photo';

/** One look of a round that is under way, and what can be done with it. */
export function useLookRound(
  instrument: Instrument,
  assessment: InstrumentAssessment,
  { over, steps, answers, behind }: RoundUnderWay,
  { look }: LookStep,
) {
  const model = useAnswer(instrument, assessment, look, over.bowId);
  const previous = behind > 0 ? answers.get(steps[behind - 1]!.look) : undefined;
  const answered = useRef<LookId | null>(null);
  const record = async (draft: Draft, last: boolean) => {
    // A second tap on the same look is no answer to the one to come.
    if (answered.current === look) return;
    answered.current = look;
    const end: Draft = { type: 'look-over-ended', payload: { overId: over.eventId } };
    const recorded = await actWithPhoto(instrument.id, last ? [draft, end] : [draft], model.photo, null);
    if (recorded.length === 0) {
      answered.current = null;
      return;
    }
    if (!last) return;
    notify(`${ended.title}.`, async () => {
      await takeBack(recorded);
      router.push('/bench/looking');
    });
  };
  const isLast = behind + 1 === steps.length;
  const answer = (verdict: Verdict) => {
    const seen = model.answer(verdict, over.by, over.eventId);
    if (seen) void record({ type: 'looked-at', payload: seen }, isLast);
  };
  const skip = () => void record({ type: 'look-skipped', payload: { look, overId: over.eventId } }, isLast);
  const undo = async () => {
    answered.current = null;
    if (previous) return takeBack([{ id: previous.eventId, instrumentId: instrument.id }]);
    // Before the first look there is the beginning of the round.
    await takeBack([{ id: over.eventId, instrumentId: instrument.id }]);
    router.replace('/bench/look');
  };
  const stop = () => void record({ type: 'look-over-ended', payload: { overId: over.eventId } }, false);
  const undoTitle = previous ? copy.undo(LOOK_DATA[steps[behind - 1]!.look].title) : 'Back';
  return { ...model, answer, skip, undo: () => void undo(), undoTitle, stop, later: () => router.replace('/bench') };
}

export type LookRoundModel = ReturnType<typeof useLookRound>;
