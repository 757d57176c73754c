import type { BulkPart } from '@tembrin/core/lending';
import { fullDateWords } from '../../dates';

/** What may be looked for. */
export const WHERE_OPTIONS = [
  { value: 'any', title: 'All' },
  { value: 'free', title: 'Here' },
  { value: 'out', title: 'Out' },
  { value: 'overdue', title: 'Overdue' },
  { value: 'workshop', title: 'Workshop' },
] as const;

/** What is put on record for many at once. */
export const BULK_TITLES: Readonly<Record<BulkPart | 'look', string>> = {
  look: 'Looked over whole, all good',
  checkup: 'Checkup done',
  'hair-look': 'Hair looked over, good',
  strings: 'Strings looked over, good',
};

const day = (ms: number) => fullDateWords('UTC')(ms);

/** What the pages of the cupboard say. */
export const copy = {
  cupboard: 'Cupboard',
  search: 'Search',
  searchHint: 'A name, a player, a room.',
  narrow: 'Narrow it down',
  family: 'Family',
  size: 'Size',
  place: 'Room',
  asks: 'Asks for something',
  any: 'Any',
  where: 'Where it is',
  found: (count: number, of: number) =>
    count === of ? `${of} ${of === 1 ? 'instrument' : 'instruments'}` : `${count} of ${of}`,
  nothing: 'Nothing fits',
  nothingText: 'Take a word out, or look for less.',
  all: 'Show all again',
  more: (count: number) => `Show ${count} more`,
  foundOn: (count: number) => `${count} found`,
  outgrow: 'Outgrowing theirs',
  outgrowRow: (name: string, holder: string, size: string) =>
    `${name}, ${holder.charAt(0).toLowerCase()}${holder.slice(1)}: next ${size}`,
  outgrown: 'Outgrown now.',
  outgrowsAbout: (ms: number) => `About ${day(ms)}.`,
  freeNext: (names: string) => `Free: ${names}.`,
  noneFree: 'None is free in that size.',
  labels: (count: number) => `Labels for ${count === 1 ? 'it' : `these ${count}`}`,
  labelsText: 'A code for each that opens it on the stand, 24 on a sheet.',
  paper: 'Paper',
  papers: { a4: 'A4', letter: 'Letter' },
  printed: 'The labels are in your downloads.',
  work: 'The day’s work',
  workNone: 'Nothing is due here',
  workNoneText: 'What is out or at the workshop waits until it is back.',
  noRoom: 'No room said',
  groupTitle: (place: string, who: string) => `${place}: ${who.toLowerCase()}`,
  choose: 'Choose what was done; it is put on record for all of it at once.',
  put: (count: number) => `Put ${count} on record`,
  putDone: (count: number) => `${count} on record.`,
  bulkOnly: 'What needs more said has its own page.',
  many: 'The same for many',
  workRow: 'What is due, by room and by doer; the same put on record for many.',
  manyText: 'One look or checkup for a whole shelf.',
  manyWhat: 'What was done?',
  manyLook:
    'Every look of the full round is put down as good. What something is open on is passed over; what you find now is said on its own page.',
  manyFor: 'To which?',
  everyOne: 'All that are here',
} as const;
