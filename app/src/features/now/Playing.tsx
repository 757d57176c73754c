import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import type { ReactNode } from 'react';
import type { InstrumentAssessment } from '@/state/assessments';
import { act } from '@/state/actions';
import { inHand } from '@/state/bows';
import { useNow } from '@/state/now';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { clockWords, elapsedWords } from '@/copy/dates';
import { BowTonight } from '../bows/BowTonight';
import { OnStand } from './OnStand';
import { unlessGone } from '../unless-gone';
import { Panes } from './Panes';
import { FORGOTTEN_H, LONGEST_SESSION_H, type Session } from '@tembrin/core/log';
import { HOUR_MS, MINUTE_MS } from '@tembrin/core/time';
import { isBowed } from '@tembrin/core/instruments';
import { threadOf, type PartId } from '@tembrin/core/parts';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/now/playing';

interface PlayingProps {
  instrument: Instrument;
  session: Session;
  assessment: InstrumentAssessment;
  wide: boolean;
  due: ReactNode;
  part: PartId | null;
}

/** While playing: the clock, and how the bowing since the last rosining stands. */
export function Playing({ instrument, session, assessment: { log, threads, bows }, wide, due, part }: PlayingProps) {
  const nowMs = useNow(500);
  const elapsed = nowMs - session.beganAt;
  const forgotten = elapsed > FORGOTTEN_H * HOUR_MS;
  const tooLong = elapsed > LONGEST_SESSION_H * HOUR_MS;
  const correct = () =>
    router.push({ pathname: '/kit/[id]/session', params: { id: instrument.id, sessionId: session.id } });
  const finish = async () => {
    if (tooLong) return correct();
    const closing = unlessGone(() => router.push('/now/closing'));
    await act(instrument.id, [{ type: 'session-ended', payload: { sessionId: session.id } }], null);
    closing();
  };
  const rosined = () =>
    void act(instrument.id, [{ type: 'rosined', payload: inHand(instrument, bows) }], copy.rosinedTheCountStarts);
  useKeys({ f: { label: 'Finish', run: () => void finish() } });
  const rosin = threadOf(threads, 'rosin');
  const bowing = rosin ? rosin.minutes + Math.max(0, nowMs - log.nowMs) / MINUTE_MS : 0;

  const screen = (
    <Screen
      bare
      title={`Playing ${instrument.name}`}
      foot={
        <>
          {isBowed(instrument.family) && <Button rank="outline" title={copy.rosinedJustNow} onPress={rosined} />}
          <Button title={tooLong ? copy.sayWhenYouStopped : 'Finish'} hotkey="f" onPress={() => void finish()} />
        </>
      }
    >
      <OnStand instrument={instrument} />
      <BowTonight instrument={instrument} />
      {forgotten && (
        <Banner tone="soon" text={copy.theClockHasRun(session.beganAt, nowMs, log.timeZone)}>
          <Button rank="plain" title={copy.sayWhenIStopped} onPress={correct} start />
        </Banner>
      )}
      <Stack padTop="one" gap="hair" align="center">
        <Text kind="heading" tone="quiet">
          Playing
        </Text>
        <Text kind="clock" role="timer" aria-label="Session clock">
          {elapsedWords(elapsed)}
        </Text>
        <Text tone="quiet">{`since ${clockWords(session.beganAt, log.timeZone)}`}</Text>
      </Stack>
      {rosin && (
        <Text middle>
          {bowing >= rosin.budget.dueFrom
            ? copy.ofBowingSinceThe(bowing)
            : copy.ofBowingSinceTheRosin(bowing, rosin.budget.dueFrom)}
        </Text>
      )}
      <Stack align="center" justify="center" fill>
        <Plate subject={instrument} height={wide ? 260 : 220} />
      </Stack>
    </Screen>
  );
  if (!wide) return screen;
  return <Panes first={screen} due={due} instrument={instrument} part={part} />;
}
