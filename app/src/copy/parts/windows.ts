import { dateWords, hoursWords } from '../dates';
import type { Moment } from '../lists';
import { STATE_NAMES } from '../names';
import type { Figure } from './part-copy';
import type { Pace, Window } from '@tembrin/core/wear';
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

/** How lives spread about the rule. */
export const SPREAD = 'One set in ten lasts less than 0.64 of the average, one in ten more than 1.57 of it.';

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
export function clockFigures(clock: TwoClock | null): readonly Figure[] {
  if (!clock) return [];
  const { life, hoursPlayed, daysOn, wear, extraWear, chance, toll } = clock;
  const extra = extraWear > 0 ? ` + ${extraWear.toFixed(2)}` : '';
  const figures: Figure[] = [
    ['Played on it', hoursWords(hoursPlayed)],
    ['Age', `${Math.round(daysOn)} days`],
    [
      'Wear',
      `${hoursWords(hoursPlayed)} ÷ ${Math.round(life.hours)} h + ${Math.round(daysOn)} d ÷ ${Math.round(life.days)} d${extra} = ${wear.toFixed(2)}`,
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
    ['Uncertainty of that', `± ${percent(Math.exp(logSd) - 1)}`],
  ];
}

/** From so many days on the starting value no longer matters to speak of. */
const PACE_KNOWN_DAYS = 90;

/** What the expected playing rests on. */
export function paceBasis({ daysObserved, startedFrom }: Pace): string {
  const start = `a start of ${Math.round(startedFrom * 60)} min a day`;
  if (daysObserved === 0) return `${start}, until your own log says more`;
  const days = daysObserved === 1 ? '1 day of your log' : `${daysObserved} days of your log`;
  return daysObserved < PACE_KNOWN_DAYS ? `${days} and ${start}` : `${days}, recent ones counting more`;
}

/** How much playing the windows count on, and what that rests on. */
export function paceReason(pace: Pace): string {
  return `The windows count on ${Math.round(pace.hoursPerDay * 60)} min of playing a day: ${paceBasis(pace)}.`;
}
