import { FAMILY_FACTS, FORGOTTEN_H, HOUR_MS, LONGEST_SESSION_H, type PartId, type Session } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { Judged } from '@/state/condition';
import { act } from '@/state/doing';
import { useNow } from '@/state/now';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { GAP } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { clockWords, dayWords, elapsedWords, minutesWords } from '@/words/dates';
import { OnStand } from './OnStand';
import { Panes } from './Panes';

interface PlayingProps {
  instrument: Instrument;
  session: Session;
  judged: Judged;
  wide: boolean;
  due: ReactNode;
  part: PartId | null;
}

/** While playing: the clock, and how the bowing since the last rosining stands. */
export function Playing({ instrument, session, judged: { log, condition }, wide, due, part }: PlayingProps) {
  const nowMs = useNow(500);
  const elapsed = nowMs - session.beganAt;
  const forgotten = elapsed > FORGOTTEN_H * HOUR_MS;
  const tooLong = elapsed > LONGEST_SESSION_H * HOUR_MS;
  const correct = () =>
    router.push({ pathname: '/kit/[id]/session', params: { id: instrument.id, sessionId: session.id } });
  const finish = async () => {
    if (tooLong) return correct();
    await act(instrument.id, [{ type: 'session-ended', payload: { sessionId: session.id } }], null);
    router.push('/now/closing');
  };
  const rosined = () => void act(instrument.id, [{ type: 'rosined', payload: {} }], 'Rosined. The count starts again.');
  useKeys({ f: { label: 'Finish', run: () => void finish() } });
  const rosin = condition.threads.find((thread) => thread.part === 'rosin');
  const bowing = rosin ? rosin.minutes + Math.max(0, nowMs - log.nowMs) / 60_000 : 0;

  const screen = (
    <Screen
      bare
      title={`Playing ${instrument.name}`}
      foot={
        <>
          {FAMILY_FACTS[instrument.family].bowed && (
            <Button rank="outline" title="Rosined just now" onPress={rosined} />
          )}
          <Button title={tooLong ? 'Say when you stopped' : 'Finish'} hotkey="f" onPress={() => void finish()} />
        </>
      }
    >
      <OnStand instrument={instrument} />
      {forgotten && (
        <Banner
          tone="soon"
          text={`The clock has run since ${dayWords(session.beganAt, nowMs, log.timeZone).replace('on ', '')}, ${clockWords(session.beganAt, log.timeZone)}. Did you stop earlier?`}
        >
          <Button rank="plain" title="Say when I stopped" onPress={correct} style={{ alignSelf: 'flex-start' }} />
        </Banner>
      )}
      <View style={{ alignItems: 'center', gap: GAP.hair, paddingTop: GAP.one }}>
        <Words kind="heading" tone="quiet">
          Playing
        </Words>
        <Words kind="clock" role="timer" aria-label="Session clock">
          {elapsedWords(elapsed)}
        </Words>
        <Words tone="quiet">{`since ${clockWords(session.beganAt, log.timeZone)}`}</Words>
      </View>
      {rosin && (
        <Words style={{ textAlign: 'center' }}>
          {bowing >= rosin.budget.dueFrom
            ? `${minutesWords(bowing)} of bowing since the rosin: a few passes are due.`
            : `${minutesWords(bowing)} of bowing since the rosin; due from ${minutesWords(rosin.budget.dueFrom)}.`}
        </Words>
      )}
      <View style={{ alignItems: 'center', flexGrow: 1, justifyContent: 'center' }}>
        <Plate subject={instrument} height={wide ? 260 : 220} />
      </View>
    </Screen>
  );
  if (!wide) return screen;
  return <Panes first={screen} due={due} instrument={instrument} part={part} />;
}
