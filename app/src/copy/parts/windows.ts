import { dateWords, hoursWords, lastingWords } from '../dates';
import type { Moment } from '../lists';
import { HABIT_WORDS } from '../names';
import { DAY_MS } from '@tembrin/core/time';
import type { Pace, Window } from '@tembrin/core/wear';
import type { TwoClock } from '@tembrin/core/parts';

/** The window of a part that wears: when to act, or since when. */
export function windowWords({ early, middle, late }: Window, verb: string, { nowMs, timeZone }: Moment): string {
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  if (nowMs >= late) return `${verb} now: spent since ${date(middle)}.`;
  if (nowMs >= middle) return `${verb} now; few last past ${date(late)}.`;
  if (nowMs >= early) return `${verb} by ${date(middle)}; few last past ${date(late)}.`;
  return `${verb} between ${date(early)} and ${date(late)}.`;
}

/** Hours played on something, those before the log among them. */
export function playedWords({ hoursPlayed, hoursBefore }: TwoClock, what = 'played'): string {
  if (hoursBefore < 0.05) return `${hoursWords(hoursPlayed)} ${what}`;
  return `about ${hoursWords(hoursPlayed + hoursBefore)} ${what}, ${hoursPlayed < 0.05 ? 'none' : hoursWords(hoursPlayed)} of it on record`;
}

/** For how long something has been on at least, where nobody knows since when; nothing while that is no time at all. */
export function atLeastWords(ms: number): string {
  return ms < DAY_MS ? '' : `. On for at least ${lastingWords(ms)}`;
}

/** From so many days on the starting value no longer matters to speak of. */
const PACE_KNOWN_DAYS = 90;

/** What the expected playing rests on. */
export function paceBasis({ daysObserved, startedFrom, said, learnedFrom }: Pace): string {
  const others = learnedFrom === 1 ? 'another instrument' : `${learnedFrom} other instruments`;
  const why = learnedFrom > 0 ? `by what is played on ${others}, counting half` : 'as nobody has said';
  const start = said
    ? `what you said of it, ${HABIT_WORDS[said]}`
    : `a start of ${Math.round(startedFrom * 60)} min a day, ${why}`;
  if (daysObserved === 0) return `${start}, until your own log says more`;
  const days = daysObserved === 1 ? '1 day of your log' : `${daysObserved} days of your log`;
  return daysObserved < PACE_KNOWN_DAYS ? `${days} and ${start}` : `${days}, recent ones counting more`;
}

/** What is said of a pause: from so likely on. */
const PAUSE_TOLD = 0.5;

/** How much playing the windows count on, and what that rests on. */
export function paceReason(pace: Pace): string {
  const { pause, hoursPerDay } = pace;
  const paused =
    pause && pause.chance >= PAUSE_TOLD
      ? ` Nothing played for ${Math.round(pause.days)} days is taken for a pause: how long it lasts widens them.`
      : '';
  return `The windows count on ${Math.round(hoursPerDay * 60)} min of playing a day: ${paceBasis(pace)}.${paused}`;
}
