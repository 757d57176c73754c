import type { Instrument } from '@tembrin/contract';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { enter, retract } from '@/state/actions';
import { useAssessment } from '@/state/assessments';
import { useHousehold } from '@/state/household';
import { dropRefused, useLog, written, type Draft } from '@/state/log';
import { refusedSession, stepsAnew } from '@/state/refused';
import { whyRefused } from '@/state/refusing';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { DateField } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { useRouteInstrument } from './route-instrument';
import { spanOf, timesOf, type Times } from './span';
import { everydaySteps } from '@tembrin/core/routines';
import { type InstrumentLog, type LogEvent, type Session } from '@tembrin/core/log';
import { Row, Stack } from '@/ui/layout';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/kit/session';

/** Route: enter a session afterwards, or correct or retract one. */
export function SessionScreen() {
  const instrument = useRouteInstrument();
  const { sessionId, refusedId } = useLocalSearchParams<{ sessionId?: string; refusedId?: string }>();
  if (!instrument) return <Redirect href="/kit" />;
  return (
    <SessionOf
      key={`${sessionId} ${refusedId}`}
      instrument={instrument}
      sessionId={sessionId ?? null}
      refusedId={refusedId}
    />
  );
}

function SessionOf({
  instrument,
  sessionId,
  refusedId,
}: {
  instrument: Instrument;
  sessionId: string | null;
  refusedId: string | undefined;
}) {
  const { log } = useAssessment(instrument);
  const session = log.sessions.find(({ parts }) => sessionId !== null && parts.includes(sessionId)) ?? null;
  if (sessionId && !session) return <Redirect href={{ pathname: '/kit/[id]', params: { id: instrument.id } }} />;
  return <SessionForm instrument={instrument} session={session} refusedId={refusedId} log={log} />;
}

interface SessionFormProps {
  instrument: Instrument;
  /** The session to correct; null: one is entered. */
  session: Session | null;
  /** The refused session that is entered again, its times to start from. */
  refusedId: string | undefined;
  log: InstrumentLog;
}

function SessionForm({ instrument, session, refusedId, log }: SessionFormProps) {
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

  return (
    <Screen
      title={running ? copy.whenDidYouStop : session ? copy.correctTheSession : copy.enterASession}
      back={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
      foot={
        <>
          <Button title={session ? copy.saveTheCorrection : PUT_ON_RECORD} onPress={() => void save()} />
          {session && (
            <Button
              rank="plain"
              title={copy.retractTheSession}
              onPress={() => {
                back();
                void retract(instrument.id, session.parts, copy.theSessionIsRetracted);
              }}
            />
          )}
        </>
      }
    >
      <Text tone="quiet">{instrument.name}</Text>
      {problem !== null && <Banner tone="now" text={problem} />}
      <Stack gap="more">
        <DateField
          type="date"
          label={copy.dayItBegan}
          value={times.date}
          onChange={set('date')}
          max={timesOf(null, log.nowMs, timeZone).date}
        />
        <Row gap="one">
          <Stack grow>
            <DateField type="time" label="Began" value={times.began} onChange={set('began')} />
          </Stack>
          <Stack grow>
            <DateField type="time" label="Ended" value={times.ended} onChange={set('ended')} />
          </Stack>
        </Row>
        <Text kind="small" tone="quiet">
          {copy.anEndBeforeThe}
        </Text>
        {!session && !refused && (
          <Choice
            label={copy.wasTheClosingRound}
            options={[
              { value: true, title: copy.yesAllOfIt },
              { value: false, title: 'No' },
            ]}
            value={rounded}
            onChange={setRounded}
          />
        )}
      </Stack>
    </Screen>
  );
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
