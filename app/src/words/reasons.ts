import {
  DAY_MS,
  HOUR_MS,
  MONTH_DAYS,
  STRETCHED_TURNS,
  stringNames,
  type CheckupThread,
  type HairThread,
  type Pace,
  type ResidueThread,
  type RosinThread,
  type StringsThread,
  type Thread,
  type Window,
} from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { dateWords, dayWords, hoursWords, lastingWords, minutesWords, spanWords } from './dates';
import { verdictSentence } from './air';
import { listWords, type Moment } from './moment';
import { ZONE_NAMES } from './names';

export { listWords, type Moment } from './moment';

/** The window of a part that wears: when to act, or since when. */
function windowWords({ early, middle, late }: Window, verb: string, { nowMs, timeZone }: Moment): string {
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  if (nowMs >= late) return `${verb} now: spent since ${date(middle)}.`;
  if (nowMs >= middle) return `${verb} now; few last past ${date(late)}.`;
  if (nowMs >= early) return `${verb} by ${date(middle)}; few last past ${date(late)}.`;
  return `${verb} between ${date(early)} and ${date(late)}.`;
}

function stringsReason(thread: StringsThread, instrument: Instrument, moment: Moment): string {
  const { clock, window, from, on, oldest } = thread;
  if (!clock || !window || from === null)
    return 'Nobody has said when these strings were fitted. Say so, and they get a forecast.';
  const names = stringNames(instrument);
  const all = oldest.length === on.length;
  const which = all ? 'Fitted' : oldest.length === 1 ? `The ${names[oldest[0]!]} was fitted` : 'The oldest were fitted';
  const known = on[oldest[0]!]?.fitting?.known;
  const start = known
    ? `${which} ${lastingWords(moment.nowMs - from)} ago`
    : `On for at least ${lastingWords(moment.nowMs - from)}`;
  return `${start}, ${hoursWords(clock.hoursPlayed)} played. ${windowWords(window, 'Change', moment)}`;
}

function hairReason({ clock, window, from, lookDueAt, state, stretch }: HairThread, moment: Moment): string {
  if (!clock || !window || from === null)
    return 'Nobody has said when this bow was last rehaired. Say so, and it gets a forecast.';
  const { nowMs, timeZone } = moment;
  if (state === 'soon' && lookDueAt !== null && nowMs >= lookDueAt && nowMs < window.early) {
    return `The yearly look at the hair has been due since ${dateWords(lookDueAt, nowMs, timeZone)}. Wear alone gives it until ${dateWords(window.early, nowMs, timeZone)}.`;
  }
  const stretched =
    stretch && stretch.turns - stretch.before >= STRETCHED_TURNS
      ? ` It has stretched: ${stretch.turns} turns to the gap now, ${stretch.before} when it was new.`
      : '';
  return `${hoursWords(clock.hoursPlayed)} of bowing in ${lastingWords(clock.daysOn * DAY_MS)}. ${windowWords(window, 'Rehair', moment)}${stretched}`;
}

function rosinReason({ minutes, budget, from, window }: RosinThread, { nowMs, timeZone }: Moment): string {
  const left = budget.dueFrom - minutes;
  const since = from === null ? 'since this log began' : 'since the last rosining';
  const done = `${minutesWords(minutes)} of bowing ${since}`;
  if (minutes >= budget.overduePast) return `${done}; it has wanted rosin since ${minutesWords(budget.budget)}.`;
  if (left <= 0) return `${done}. Give it a few passes before you play.`;
  return `${done}. The next is due in ${minutesWords(left)}, ${dayWords(window?.early ?? nowMs, nowMs, timeZone)} at your pace.`;
}

function residueReason({ worst, zones, from }: ResidueThread, { nowMs, timeZone }: Moment): string {
  if (!worst)
    return from === null
      ? 'Nothing played yet, nothing to wipe.'
      : `Wiped ${dayWords(from, nowMs, timeZone)}, and not played since.`;
  const dirty = zones.filter(({ since }) => since !== null);
  const where = dirty.length === zones.length ? 'Nothing wiped' : `${ZONE_NAMES[worst.zone]} not wiped`;
  const what = {
    clean: '',
    fresh: 'Still fresh: a dry cloth takes it off.',
    settling: 'It is getting hard: wipe it today.',
    caked: 'It will have caked: leave rubbing to a workshop.',
  }[worst.state];
  return `${where} for ${lastingWords(nowMs - worst.since!)}, with ${minutesWords(worst.minutes)} of playing left there. ${what}`;
}

function checkupReason({ from, window, months, state, caked, turn }: CheckupThread, moment: Moment): string {
  const work =
    caked.length > 0
      ? ` Work for the visit: ${listWords(caked.map(({ zone }) => ZONE_NAMES[zone].toLowerCase()))}, where residue has caked.`
      : '';
  if (from === null || !window) return `No checkup is on record. Say when a luthier last looked it over.${work}`;
  const { nowMs, timeZone } = moment;
  const last = `Last looked over ${lastingWords(nowMs - from)} ago`;
  const season =
    turn === 'start' ? ' Best as the heating comes on.' : turn === 'end' ? ' Best once the heating is off.' : '';
  if (state === 'now') return `${last}, and every ${months} months is the rule. Arrange a visit.${season}${work}`;
  return `${last}. The next visit falls between ${spanWords(window.early, window.late, nowMs, timeZone).replace(' to ', ' and ')}.${season}${work}`;
}

/** One sentence or two on why a thread stands as it does, with its figures. */
export function reasonFor(thread: Thread, instrument: Instrument, moment: Moment): string {
  switch (thread.part) {
    case 'strings':
      return stringsReason(thread, instrument, moment);
    case 'hair':
      return hairReason(thread, moment);
    case 'rosin':
      return rosinReason(thread, moment);
    case 'residue':
      return residueReason(thread, moment);
    case 'checkup':
      return checkupReason(thread, moment);
    case 'air':
      return verdictSentence(thread.verdict, instrument, moment, 'mm');
  }
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

export interface Headline {
  /** What to do, or that there is nothing to do. */
  title: string;
  /** The figure that matters, and what it counts. */
  figure: string | null;
  unit: string;
}

const DUE_TITLES: Readonly<Record<Thread['part'], string>> = {
  strings: 'New strings are due',
  hair: 'The bow wants new hair',
  rosin: 'Rosin before you play',
  residue: 'Wipe it first',
  checkup: 'Time for a checkup',
  air: 'Its air asks for something',
};

function figureOf(thread: Thread, { nowMs }: Moment): Pick<Headline, 'figure' | 'unit'> {
  switch (thread.part) {
    case 'rosin':
      return { figure: String(Math.round(thread.minutes)), unit: 'minutes of bowing since the last rosining' };
    case 'residue':
      return { figure: String(Math.round(thread.worst?.minutes ?? 0)), unit: 'minutes played on unwiped residue' };
    case 'strings':
    case 'hair': {
      const hours = Math.round(thread.clock?.hoursPlayed ?? 0);
      return {
        figure: String(hours),
        unit: `hours played ${thread.part === 'hair' ? 'on this hair' : 'on these strings'}`,
      };
    }
    case 'air': {
      const { body } = thread.verdict;
      return { figure: body && `${Math.round(body.restRh * 100)} %`, unit: 'the humidity its wood stands at' };
    }
    case 'checkup': {
      const months = Math.floor((nowMs - (thread.from ?? nowMs)) / (MONTH_DAYS * DAY_MS));
      return { figure: String(months), unit: 'months since the last checkup' };
    }
  }
}

/** What stands at the top of Now before playing. `threads` with the most urgent first. */
export function headlineFor(
  threads: readonly Thread[],
  tightSince: number | null,
  playedToday: number,
  moment: Moment,
): Headline {
  if (tightSince !== null && moment.nowMs - tightSince >= HOUR_MS) {
    const hours = Math.round((moment.nowMs - tightSince) / HOUR_MS);
    return {
      title: 'The bow is still tight',
      figure: String(hours),
      unit: hours === 1 ? 'hour under tension, not played' : 'hours under tension, not played',
    };
  }
  const due = threads.find(({ state }) => state === 'now');
  if (due) return { title: DUE_TITLES[due.part], ...figureOf(due, moment) };
  if (playedToday > 0)
    return { title: 'In good order', figure: String(Math.round(playedToday * 60)), unit: 'minutes played today' };
  const missing = threads.filter(({ state, from }) => state === 'unknown' && from === null).length;
  const unit = missing > 0 ? 'Nothing is known to be due. Dates are missing below.' : 'Nothing is due.';
  return { title: 'Ready to play', figure: null, unit };
}
