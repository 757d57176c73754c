import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { enter } from '@/state/actions';
import { useAssessment } from '@/state/assessments';
import { useHousehold } from '@/state/household';
import { dropRefused, useLog, written, type Draft } from '@/state/log';
import { refusedSession, stepsAnew } from '@/state/refused';
import { rulesComing, whyRefused } from '@/state/rules';
import { spanOf, timesOf, type Times } from './span';
import { everydaySteps } from '@tembrin/core/routines';
import { type InstrumentLog, type LogEvent, type Session } from '@tembrin/core/log';
import { copy } from '@/copy/screens/kit/session';

export interface SessionFormProps {
  instrument: Instrument;
  /** The session to correct; null: one is entered. */
  session: Session | null;
  /** The refused session that is entered again, its times to start from. */
  refusedId: string | undefined;
  log: InstrumentLog;
}

/** A session of two devices is corrected in each of its parts, so that all of them agree. */
function draftsFor(session: Session | null, { beganAt, endedAt }: { beganAt: number; endedAt: number }): Draft[] {
  const end = new Date(endedAt).toISOString();
  if (!session) return [{ type: 'session-entered', at: beganAt, payload: { endedAt: end } }];
  return session.parts.map((sessionId) => ({
    type: 'session-corrected',
    payload: { sessionId, beganAt: new Date(beganAt).toISOString(), endedAt: end },
  }));
}

/** The times of a session as typed, and keeping, correcting or retracting it. */
export function useSessionForm({ instrument, session, refusedId, log }: SessionFormProps) {
  const { timeZone } = useHousehold((state) => state.household)!;
  const { schools } = useAssessment(instrument);
  // As it was when the form opened: it leaves the refused ones only once it is entered again.
  const [refused] = useState(() => refusedSession(useLog.getState().refused, refusedId));
  const [times, setTimes] = useState(() => timesOf(session ?? refused, log.nowMs, timeZone));
  const [rounded, setRounded] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const set = (key: keyof Times) => (value: string) => {
    setProblem(null);
    setTimes((before) => ({ ...before, [key]: value }));
  };
  const back = () =>
    router.canGoBack() ? router.back() : router.replace({ pathname: '/kit/[id]', params: { id: instrument.id } });
  const running = session?.endedAt === null;

  const save = async () => {
    const span = spanOf(times, timeZone);
    if (!span) return setProblem(copy.giveTheDayAnd);
    const entries = draftsFor(session, span).map((draft) => written(instrument.id, draft));
    await rulesComing();
    const refusal = whyRefused(entries);
    if (refusal !== null) return setProblem(refusal);
    const [first] = entries;
    const steps = !session && !refused && rounded ? everydaySteps(instrument, schools) : [];
    const closing: LogEvent[] = steps.map((step) =>
      written(instrument.id, { type: 'step-done', at: span.endedAt, payload: { step, sessionId: first!.id } }),
    );
    if (refused) closing.push(...stepsAnew(refused, instrument.id, first!.id, span.endedAt));
    back();
    const recorded = await enter([...entries, ...closing], session ? copy.theSessionIsCorrected : copy.theSessionIsOn);
    if (refused && recorded.length > 0) await dropRefused(...refused.ids);
  };
  return { timeZone, refused, times, rounded, setRounded, problem, set, back, running, save };
}
