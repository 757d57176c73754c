import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useComplete } from '@/state/assessments';
import { useHere } from '@/state/here';
import { act } from '@/state/actions';
import { usePreferences } from '@/state/preferences';
import { useKeys } from '@/ui/keys';
import { useWide } from '@/ui/theme';
import { headlineFor } from '@/copy/parts';
import { byUrgency } from '@tembrin/core/parts';
import { hoursOnDay } from '@tembrin/core/log';
import { localDay } from '@tembrin/core/time';
import { openRound } from '@tembrin/core/routines';
import { copy } from '@/copy/screens/now/stand';

/** What the stand tells before and while playing, and what is done from it. */
export function useStand(instrument: Instrument) {
  const wide = useWide();
  const assessment = useHere(instrument);
  const complete = useComplete(instrument.id);
  const { log, threads: all, pace, tension } = assessment;
  const lengths = usePreferences((state) => state.lengths);
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const threads = byUrgency(all);
  const earlier = () => router.push({ pathname: '/kit/[id]/session', params: { id: instrument.id } });
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

  const slacken = () =>
    void act(
      instrument.id,
      [{ type: 'step-done', payload: { step: 'slacken', sessionId: last?.id ?? null } }],
      'Slackened.',
    );
  return {
    wide,
    assessment,
    complete,
    log,
    pace,
    lengths,
    moment,
    threads,
    earlier,
    tightSince,
    headline,
    round,
    last,
    start,
    closing,
    slacken,
  };
}

export type StandModel = ReturnType<typeof useStand>;
