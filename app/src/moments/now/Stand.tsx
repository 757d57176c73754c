import { byUrgency, hoursOnDay, localDay, openingRound, openRound, type PartId } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useComplete, useJudged } from '@/state/condition';
import { act } from '@/state/doing';
import { useLook } from '@/state/look';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { Row } from '@/ui/Row';
import { Screen } from '@/ui/Screen';
import { GAP, useWide } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { clockWords, dayWords, lastingWords } from '@/words/dates';
import { openingWords } from '@/words/because';
import { headlineFor } from '@/words/reasons';
import { DueList } from '../DueList';
import { OnStand } from './OnStand';
import { Panes } from './Panes';
import { Playing } from './Playing';

/** The stand: the instrument, what to do before playing, the clock while playing, and below what is due. */
export function Stand({ instrument, part }: { instrument: Instrument; part: PartId | null }) {
  const wide = useWide();
  const judged = useJudged(instrument);
  const complete = useComplete(instrument.id);
  const { log, condition, situation } = judged;
  const lengths = useLook((state) => state.lengths);
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const threads = byUrgency(condition.threads);
  const earlier = () => router.push({ pathname: '/kit/[id]/session', params: { id: instrument.id } });
  const due = (
    <>
      <DueList
        pace={condition.pace}
        threads={threads}
        instrument={instrument}
        moment={moment}
        chosen={part}
        hrefOf={(id) => ({ pathname: '/now/[part]', params: { part: id } })}
      />
      <Button
        rank="plain"
        title="Enter a session played earlier"
        onPress={earlier}
        style={{ alignSelf: 'flex-start', marginLeft: -GAP.small }}
      />
    </>
  );
  const tightSince = log.running ? null : (condition.tension?.tightSince ?? null);
  const playedToday = hoursOnDay(log, localDay(log.nowMs, log.timeZone));
  const headline = headlineFor(threads, tightSince, playedToday, moment);
  const round = openRound(situation);
  const last = log.sessions.at(-1);

  const start = () => void act(instrument.id, [{ type: 'session-began', payload: {} }], null);
  const closing = () => router.push('/now/closing');
  const opening = () => router.push('/now/opening');
  useKeys(
    log.running
      ? {}
      : {
          ...(complete && { s: { label: 'Start playing', run: start } }),
          o: { label: 'Before you play', run: opening },
          e: { label: 'Enter a session played earlier', run: earlier },
          ...(round && { c: { label: 'Go on with the closing round', run: closing } }),
        },
  );

  if (log.running)
    return <Playing instrument={instrument} session={log.running} judged={judged} wide={wide} due={due} part={part} />;

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
          {round && <Button title="Go on with the closing round" onPress={closing} hotkey="c" />}
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
      <View style={{ flexDirection: 'row', gap: GAP.one, minHeight: 190 }}>
        <View style={{ flex: 1, justifyContent: 'center', gap: GAP.small }}>
          <Words kind="title" level={2}>
            {complete ? headline.title : 'Fetching the log …'}
          </Words>
          {complete && headline.figure !== null && <Words kind="figure">{headline.figure}</Words>}
          {complete && (
            <Words kind="small" tone="quiet">
              {headline.unit}
            </Words>
          )}
          {complete && last?.endedAt != null && (
            <Words kind="small" tone="quiet">
              {`Last played ${dayWords(last.beganAt, moment.nowMs, moment.timeZone)} at ${clockWords(last.beganAt, moment.timeZone)}, ${lastingWords(last.endedAt - last.beganAt)}.`}
            </Words>
          )}
        </View>
        <Plate subject={instrument} height={wide ? 440 : 208} withBow />
      </View>
      {tightSince !== null && !round && (
        <Banner
          tone="now"
          text={`Not slackened since ${dayWords(tightSince, moment.nowMs, moment.timeZone).replace('on ', '')}, ${clockWords(tightSince, moment.timeZone)}. A bow left tight warps.`}
        >
          <Button rank="plain" title="Slackened now" onPress={slacken} style={{ alignSelf: 'flex-start' }} />
        </Banner>
      )}
      {complete && (
        <Row href="/now/opening" label={`Before you play. ${openingWords(openingRound(situation), lengths)}`}>
          <Words kind="strong">Before you play</Words>
          <Words kind="small" tone="quiet">
            {openingWords(openingRound(situation), lengths)}
          </Words>
        </Row>
      )}
      {complete && !wide && due}
    </Screen>
  );
  if (!wide) return before;
  return <Panes first={before} due={complete && due} instrument={instrument} part={part} />;
}
