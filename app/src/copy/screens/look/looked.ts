import { dateWords, lastingWords } from '@/copy/dates';
import type { Moment } from '@/copy/lists';
import type { Window } from '@tembrin/core/wear';

const counted = (looks: number) => (looks === 1 ? 'One look' : `${looks} looks`);
const midst = (window: Window, { nowMs, timeZone }: Moment) => dateWords(window.middle, nowMs, timeZone);

/** What features/look/Looked.tsx says. */
export const copy = {
  title: 'Looked over',
  took: (ms: number, looks: number) => `${counted(looks)} in ${lastingWords(ms)}.`,
  looks: (looks: number) => `${counted(looks)}.`,
  allGood: 'All that was looked at is as it should be.',
  found: 'Found',
  whatItChanges: 'What it changes',
  changesNothing: 'No date moves.',
  hairMoves: (before: Window, after: Window, moment: Moment) =>
    `Bow hair: by what was seen the middle of its window is ${midst(after, moment)}, not ${midst(before, moment)}.`,
  stringsProven: 'Strings: found good, so they last at least so long; their window opens later.',
  stringsNearer: 'Strings: what was seen brings their window nearer.',
  hairProven: 'Bow hair: found good, so it lasts at least so long. The yearly look is done.',
  visitPressed: (by: string) => `The visit to the workshop: wanted by ${by}, for what was found.`,
  visitJoins: (count: number) =>
    count === 1
      ? 'One thing joins the next visit to the workshop.'
      : `${count} things join the next visit to the workshop.`,
  good: 'As it should be',
  skipped: 'Not looked at',
  done: 'Done',
  rehairTitle: 'Rehair, or another bow?',
  rehairPrice: 'A rehair costs',
  bowPrice: 'Such a bow costs',
  sizeFor: 'How long this size will still be played',
  sizes: { 3: 'A few months', 6: 'Half a year', 12: 'A year', 24: 'Longer' },
  cheaper: {
    rehair: (rehair: string, bow: string) => `The rehair is cheaper: ${rehair} against ${bow}.`,
    bow: (rehair: string, bow: string) => `Another bow is cheaper: ${bow} against ${rehair}. It comes with new hair.`,
    equal: (rehair: string) => `Both come to ${rehair}. A bow comes with new hair; a good stick is worth keeping.`,
  },
  times: (count: number) => `${count} rehairs fall into that time.`,
  pricesRehair: (price: string) => `A rehair costs you ${price}, by your own price list.`,
  noRehairPrice: 'No price for a rehair is on record yet. Put yours in under Costs, in the Year.',
  writePrice: 'Write the price as a number.',
  keep: 'Compare',
  kept: 'The price is kept with the bow.',
  pricesAreYours: 'Both prices are your own.',
} as const;
