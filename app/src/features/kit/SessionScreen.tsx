import type { Instrument } from '@tembrin/contract';
import { Redirect, useLocalSearchParams } from 'expo-router';
import { retract } from '@/state/actions';
import { useAssessment } from '@/state/assessments';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { DateField } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { useRouteInstrument } from './route-instrument';
import { timesOf } from './span';
import { Row, Stack } from '@/ui/layout';
import { PUT_ON_RECORD } from '@/copy/common';
import { foreignZone } from '@/copy/dates';
import { copy } from '@/copy/screens/kit/session';
import { useSessionForm, type SessionFormProps } from './use-session-form';

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

function SessionForm({ instrument, session, refusedId, log }: SessionFormProps) {
  const { timeZone, refused, times, rounded, setRounded, problem, set, back, running, save } = useSessionForm({
    instrument,
    session,
    refusedId,
    log,
  });

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
          {copy.anEndBeforeThe(foreignZone(log.nowMs, timeZone))}
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
