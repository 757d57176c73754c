import { sinceDayWords, clockWords, minutesWords } from '@/copy/dates';

/** What features/now/Playing.tsx says. */
export const copy = {
  rosinedTheCountStarts: 'Rosined. The count starts again.',
  rosinedJustNow: 'Rosined just now',
  sayWhenYouStopped: 'Say when you stopped',
  theClockHasRun: (beganAt: number, nowMs: number, timeZone: string) =>
    `The clock has run since ${sinceDayWords(beganAt, nowMs, timeZone)}, ${clockWords(beganAt, timeZone)}. Did you stop earlier?`,
  sayWhenIStopped: 'Say when I stopped',
  ofBowingSinceThe: (bowing: number) => `${minutesWords(bowing)} of bowing since the rosin: a few passes are due.`,
  ofBowingSinceTheRosin: (bowing: number, dueFrom: number) =>
    `${minutesWords(bowing)} of bowing since the rosin; due from ${minutesWords(dueFrom)}.`,
} as const;
