import { type ChangeWay } from '@tembrin/core/strings';
import { lastingWords, dateWords } from '@/copy/dates';

/** What features/strings/ChangeStart.tsx says. */
export const copy = {
  theSameAsIs: 'The same as is on',
  chooseWhichStrings: 'Choose which strings',
  isOnTheseTake: ({
    title,
    inDays,
    aheadMs,
    atMs,
    nowMs,
    timeZone,
    settleMs,
  }: {
    title: string;
    inDays: number;
    aheadMs: number;
    atMs: number;
    nowMs: number;
    timeZone: string;
    settleMs: number;
  }) =>
    `${title} is ${inDays === 0 ? 'today' : `in ${lastingWords(aheadMs)}`}, on ${dateWords(atMs, nowMs, timeZone)}; these take about ${lastingWords(settleMs)} to settle. Change only what you must, and tune often until then.`,
  theWholeSet: 'The whole set',
  whyDoTheOld: 'Why do the old ones come off?',
  whatGoesOn: 'What goes on?',
  boughtMoreThanYears: (years: number) =>
    `Bought more than ${years} years ago: look it over for tarnish and cracks first.`,
  whoDoesIt: 'Who does it?',
  allOffIsFor:
    'All off is for a workshop here: the strings hold the bridge, and the bridge holds the sound post. Tembrin takes you through one after another.',
  inThisOrderAbout: (list: string, settleMs: number) =>
    `In this order: ${list}. About ${lastingWords(settleMs)} until they have settled.`,
} as const;

export const WAYS: readonly { value: ChangeWay; title: string }[] = [
  { value: 'B', title: 'One after another' },
  { value: 'A', title: 'One a day' },
  { value: 'C', title: 'All off' },
];
