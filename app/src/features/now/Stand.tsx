import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useComplete, useAssessment } from '@/state/assessments';
import { act } from '@/state/actions';
import { usePreferences } from '@/state/preferences';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { useWide } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { openingWords } from '@/copy/because';
import { headlineFor } from '@/copy/parts';
import { DueList } from '../DueList';
import { OnStand } from './OnStand';
import { Panes } from './Panes';
import { Playing } from './Playing';
import { byUrgency, type PartId } from '@tembrin/core/parts';
import { hoursOnDay } from '@tembrin/core/log';
import { localDay } from '@tembrin/core/time';
import { openingRound, openRound } from '@tembrin/core/routines';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/now/stand';

/** The stand: the instrument, what to do before playing, the clock while playing, and below what is due. */
export function Stand({ instrument, part }: { instrument: Instrument; part: PartId | null }) {
  const wide = useWide();
  const assessment = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const { log, threads: all, pace, tension } = assessment;
  const lengths = usePreferences((state) => state.lengths);
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const threads = byUrgency(all);
  const earlier = () => router.push({ pathname: '/kit/[id]/session', params: { id: instrument.id } });
  const due = (
    <>
      <DueList
        pace={pace}
        threads={threads}
        instrument={instrument}
        moment={moment}
        chosen={part}
        hrefOf={(id) => ({ pathname: '/now/[part]', params: { part: id } })}
      />
      <Button rank="plain" title={copy.enterASessionPlayed} onPress={earlier} start flush />
    </>
  );
  const tightSince = log.running ? null : (tension?.tightSince ?? null);
  const playedToday = hoursOnDay(log, localDay(log.nowMs, log.timeZone));
  const headline = headlineFor(threads, tightSince, playedToday, moment);
  const round = openRound(assessment);
  const last = log.sessions.at(-1);

  const start = () => void act(instrument.id, [{ type: 'session-began', payload: {} }], null);
  const closing = () => router.push('/now/closing');
  const opening = () => router.push('/now/opening');
  useKeys(
    log.running
      ? {}
      : {
          ...(complete && { s: { label: 'Start playing', run: start } }),
          o: { label: copy.beforeYouPlay, run: opening },
          e: { label: copy.enterASessionPlayed, run: earlier },
          ...(round && { c: { label: copy.goOnWithThe, run: closing } }),
        },
  );

  if (log.running)
    return (
      <Playing
        instrument={instrument}
        session={log.running}
        assessment={assessment}
        wide={wide}
        due={due}
        part={part}
      />
    );

  const slacken = () =>
    void act(
      instrument.id,
      [{ type: 'step-done', payload: { step: 'slacken', sessionId: last?.id ?? null } }],
      'Slackened.',
    );
  const before = (
    <Screen
      bare
      title={instrument.name}
      foot={
        <>
          {round && <Button title={copy.goOnWithThe} onPress={closing} hotkey="c" />}
          <Button
            title="Start playing"
            rank={round ? 'outline' : 'solid'}
            onPress={start}
            hotkey="s"
            disabled={!complete}
          />
        </>
      }
    >
      <OnStand instrument={instrument} />
      <Row gap="one" minHeight={190}>
        <Stack gap="small" justify="center" grow>
          <Text kind="title" level={2}>
            {complete ? headline.title : FETCHING_LOG}
          </Text>
          {complete && headline.figure !== null && <Text kind="figure">{headline.figure}</Text>}
          {complete && (
            <Text kind="small" tone="quiet">
              {headline.unit}
            </Text>
          )}
          {complete && last?.endedAt != null && (
            <Text kind="small" tone="quiet">
              {copy.lastPlayedAt({
                beganAt: last.beganAt,
                nowMs: moment.nowMs,
                timeZone: moment.timeZone,
                playedMs: last.endedAt - last.beganAt,
              })}
            </Text>
          )}
        </Stack>
        <Plate subject={instrument} height={wide ? 440 : 208} withBow />
      </Row>
      {tightSince !== null && !round && (
        <Banner tone="now" text={copy.notSlackenedSinceA(tightSince, moment.nowMs, moment.timeZone)}>
          <Button rank="plain" title="Slackened now" onPress={slacken} start />
        </Banner>
      )}
      {complete && (
        <LinkRow href="/now/opening" label={copy.beforeYouPlayAs(openingWords(openingRound(assessment), lengths))}>
          <Text kind="strong">{copy.beforeYouPlay}</Text>
          <Text kind="small" tone="quiet">
            {openingWords(openingRound(assessment), lengths)}
          </Text>
        </LinkRow>
      )}
      {complete && !wide && due}
    </Screen>
  );
  if (!wide) return before;
  return <Panes first={before} due={complete && due} instrument={instrument} part={part} />;
}
