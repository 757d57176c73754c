import { dateWords, hoursWords, lastingWords } from '../dates';
import type { Moment } from '../lists';
import { HABIT_WORDS, STATE_NAMES } from '../names';
import type { Figure } from './part-copy';
import { DAY_MS } from '@tembrin/core/time';
import { NEXT_LOG_SD, type Pace, type Window } from '@tembrin/core/wear';
import type { Thread, TwoClock } from '@tembrin/core/parts';

/** The window of a part that wears: when to act, or since when. */
export function windowWords({ early, middle, late }: Window, verb: string, { nowMs, timeZone }: Moment): string {
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  if (nowMs >= late) return `${verb} now: spent since ${date(middle)}.`;
  if (nowMs >= middle) return `${verb} now; few last past ${date(late)}.`;
  if (nowMs >= early) return `${verb} by ${date(middle)}; few last past ${date(late)}.`;
  return `${verb} between ${date(early)} and ${date(late)}.`;
}

export const percent = (share: number) => `${Math.round(share * 100)} %`;

const TENTH = 1.2816;
/** How lives spread about the rule. */
export const SPREAD = `One in ten lasts less than ${Math.exp(-TENTH * NEXT_LOG_SD).toFixed(2)} of the average, one in ten more than ${Math.exp(TENTH * NEXT_LOG_SD).toFixed(2)} of it.`;

/** Hours played on something, those before the log among them. */
export function playedWords({ hoursPlayed, hoursBefore }: TwoClock, what = 'played'): string {
  if (hoursBefore < 0.05) return `${hoursWords(hoursPlayed)} ${what}`;
  return `about ${hoursWords(hoursPlayed + hoursBefore)} ${what}, ${hoursPlayed < 0.05 ? 'none' : hoursWords(hoursPlayed)} of it on record`;
}

/** For how long something has been on at least, where nobody knows since when; nothing while that is no time at all. */
export function atLeastWords(ms: number): string {
  return ms < DAY_MS ? '' : `. On for at least ${lastingWords(ms)}`;
}

export const verdictFigure = ({ state }: Pick<Thread, 'state'>): Figure => ['Verdict', STATE_NAMES[state]];

export function windowFigures({ window }: Pick<Thread, 'window'>, { nowMs, timeZone }: Moment): readonly Figure[] {
  if (!window) return [];
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  return [
    ['Early end (10 %)', date(window.early)],
    ['Middle (50 %)', date(window.middle)],
    ['Late end (90 %)', date(window.late)],
  ];
}

/** The figures of a part on two clocks; none where nobody said when it began. */
export function clockFigures(clock: TwoClock | null, { before }: Pace): readonly Figure[] {
  if (!clock) return [];
  const { life, hoursPlayed, hoursBefore, daysOn, wear, extraWear, chance, toll } = clock;
  const extra = extraWear > 0 ? ` + ${extraWear.toFixed(2)}` : '';
  const hours = hoursPlayed + hoursBefore;
  const figures: Figure[] = [
    ['Played on it', hoursPlayed < 0.05 ? 'nothing on record' : `${hoursWords(hoursPlayed)} on record`],
    ...(hoursBefore > 0
      ? [
          [
            'Before this log',
            `about ${hoursWords(hoursBefore)}, reckoned at ${Math.round(before.hoursPerDay * 60)} min a day, ± ${percent(Math.exp(before.logSd) - 1)}`,
          ] as const,
        ]
      : []),
    ['Age', `${Math.round(daysOn)} days`],
    [
      'Wear',
      `${hoursWords(hours)} ÷ ${Math.round(life.hours)} h + ${Math.round(daysOn)} d ÷ ${Math.round(life.days)} d${extra} = ${wear.toFixed(2)}`,
    ],
    ['Chance that it is spent', percent(chance)],
  ];
  if (toll && toll.factor > 1.005)
    figures.push([
      'Air it was in',
      `${percent(toll.damp)} of its days damp, ${percent(toll.dry)} dry: days count ${toll.factor.toFixed(2)} times (at most 1.5, from memory)`,
    ]);
  return figures;
}

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

export function paceFigures(pace: Pace): readonly Figure[] {
  const { hoursPerDay, hoursOn, logSd } = pace;
  const most = Math.max(...hoursOn);
  const uneven = most > 1.5 * hoursPerDay ? `, most on ${WEEKDAYS[hoursOn.indexOf(most)]}` : '';
  return [
    ['Playing expected', `${Math.round(hoursPerDay * 60)} min a day${uneven}`],
    ['It rests on', paceBasis(pace)],
    ...(pace.away.length > 0 ? [['Days away', 'those in the calendar count as without playing'] as const] : []),
    ['Uncertainty of that', `± ${percent(Math.exp(logSd) - 1)}`],
  ];
}

/** From so many days on the starting value no longer matters to speak of. */
const PACE_KNOWN_DAYS = 90;

/** What the expected playing rests on. */
export function paceBasis({ daysObserved, startedFrom, said }: Pace): string {
  const start = said
    ? `what you said of it, ${HABIT_WORDS[said]}`
    : `a start of ${Math.round(startedFrom * 60)} min a day, as nobody has said`;
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
