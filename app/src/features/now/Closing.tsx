import type { Instrument } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useRef } from 'react';
import { useHere } from '@/state/here';
import { act, takeBack } from '@/state/actions';
import { useInstrumentOnStand } from '@/state/stand';
import { usePreferences } from '@/state/preferences';
import { notify } from '@/state/notice';
import { useKeys } from '@/ui/keys';
import { STEP_NAMES } from '@/copy/names';
import { HandsBusy } from './HandsBusy';
import type { StepActions } from './step-actions';
import { StepView } from './StepView';
import type { StepId } from '@tembrin/core/log';
import { openRound, type OpenRound } from '@tembrin/core/routines';
import { copy } from '@/copy/screens/now/closing';

/** The closing round, one tap a step. It is read from the log, so it goes on where it was left. */
export function Closing() {
  const instrument = useInstrumentOnStand();
  return instrument ? <Round instrument={instrument} /> : <Redirect href="/now" />;
}

function Round({ instrument }: { instrument: Instrument }) {
  const round = openRound(useHere(instrument));
  return round ? <Step instrument={instrument} round={round} /> : <Redirect href="/now" />;
}

function Step({ instrument, round }: { instrument: Instrument; round: OpenRound }) {
  const { session, steps, records, next, behind } = round;
  const { handsBusy, setHandsBusy } = usePreferences();
  const previous = behind > 0 ? records.get(steps[behind - 1]!.step) : undefined;

  const answered = useRef<StepId | null>(null);
  const answer = async (done: boolean) => {
    // A second tap on the same step is no answer to the one to come.
    if (answered.current === next.step) return;
    answered.current = next.step;
    const recorded = await act(
      instrument.id,
      [{ type: done ? 'step-done' : 'step-skipped', payload: { step: next.step, sessionId: session.id } }],
      null,
    );
    if (recorded.length === 0) answered.current = null;
    const left = steps.filter(({ step }) => !records.has(step)).length;
    if (left === 1 && recorded.length > 0) {
      const skipped = [...records.values()].filter((record) => !record.done).length + (done ? 0 : 1);
      notify(skipped === 0 ? copy.theRoundIsDone : copy.theRoundIsDoneSkipped(skipped), async () => {
        await takeBack(recorded);
        router.push('/now/closing');
      });
    }
  };
  const undo = async () => {
    answered.current = null;
    if (previous) return takeBack([{ id: previous.eventId, instrumentId: instrument.id }]);
    // Before the first step there is the end of the session: taking it back lets the clock run on.
    await takeBack(session.endEventIds.map((id) => ({ id, instrumentId: instrument.id })));
    router.replace('/now');
  };
  const actions: StepActions = {
    instrument,
    round,
    done: () => void answer(true),
    skip: () => void answer(false),
    undo: () => void undo(),
    undoTitle: previous ? `Undo: ${STEP_NAMES[previous.step].toLowerCase()}` : 'Play on',
    later: () => router.replace('/now'),
  };

  // Page-turn pedals send arrows, page keys, Space or Enter.
  const done = { label: 'Step done', run: actions.done };
  const back = { label: copy.takeTheLastAnswer, run: actions.undo };
  useKeys({
    ' ': done,
    enter: done,
    arrowright: done,
    arrowdown: done,
    pagedown: done,
    k: { label: copy.skipTheStep, run: actions.skip },
    u: back,
    arrowleft: back,
    arrowup: back,
    pageup: back,
    b: { label: handsBusy ? 'Usual view' : 'Hands-busy view', run: () => setHandsBusy(!handsBusy) },
    escape: { label: copy.leaveTheRoundFor, run: actions.later },
  });

  return handsBusy ? <HandsBusy key={next.step} {...actions} /> : <StepView key={next.step} {...actions} />;
}
