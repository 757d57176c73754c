import { dayWords, clockWords, lastingWords, sinceDayWords } from '@/copy/dates';

/** What features/now/Stand.tsx says. */
export const copy = {
  foundAndOpen: 'Found and open',
  foundAside: 'Found on another bow',
  lookItOver: 'Look it over',
  goOnLooking: 'Go on where you left off.',
  enterASessionPlayed: 'Enter a session played earlier',
  beforeYouPlay: 'Before you play',
  goOnWithThe: 'Go on with the closing round',
  lastPlayedAt: ({
    beganAt,
    nowMs,
    timeZone,
    playedMs,
  }: {
    beganAt: number;
    nowMs: number;
    timeZone: string;
    playedMs: number;
  }) =>
    `Last played ${dayWords(beganAt, nowMs, timeZone)} at ${clockWords(beganAt, timeZone)}, ${lastingWords(playedMs)}.`,
  notSlackenedSinceA: (tightSince: number, nowMs: number, timeZone: string) =>
    `Not slackened since ${sinceDayWords(tightSince, nowMs, timeZone)}, ${clockWords(tightSince, timeZone)}. A bow left tight warps.`,
} as const;
