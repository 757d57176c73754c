import { QUOTA_TOLD_FROM, QUOTAS } from '@tembrin/contract/quotas';
import { fixed, numberWords } from '@/copy/numbers';

const MB = 1e6;

/** What the pages with kept photographs say. */
export const copy = {
  title: 'Photos',
  none: 'No photo yet',
  noneText: 'A picture of the bridge, the hair or a seam today is what next year’s is held beside.',
  add: 'Add a photo',
  another: 'Another photo',
  noPhoto: 'Without the photo',
  adding: 'Opening the picture …',
  added: 'The photo is on record.',
  already: 'This very picture is on record already.',
  chosen: 'Photo that goes with this look',
  file: 'Picture to keep',
  of: 'What it shows',
  counted: (title: string, count: number) => (count === 1 ? title : `${title} (${count})`),
  picture: (title: string, when: string) => `${title}, ${when}`,
  older: 'Older',
  newer: 'Newer',
  sooner: 'The one before',
  later: 'The one after',
  apart: (words: string) => `${words} between them.`,
  pairLabel: 'Two dates side by side',
  larger: 'Larger',
  smaller: 'Side by side',
  remove: 'Remove',
  removedHere: 'Taken off the record here; another entry has it still.',
  removed: 'Photo removed. It goes from the server’s disk in 20 seconds.',
  waits: 'Waits on this device, sent later.',
  refused: (why: string) => `Not kept by the server: ${why}`,
  sendAgain: 'Send again',
  sights: {
    loading: 'Opening …',
    gone: 'Not kept here any more, or not brought in yet.',
    'out-of-reach': 'Not on this device. It shows once the server can be reached.',
  },
  room: (count: number, bytes: number) =>
    `${count === 1 ? 'One photo' : `${numberWords(count)} photos`} of the household, ${fixed(bytes / MB, 1)} of ${QUOTAS.photoBytes / MB} MB.`,
  nearlyFull: (count: number, bytes: number) =>
    bytes >= QUOTA_TOLD_FROM * QUOTAS.photoBytes || count >= QUOTA_TOLD_FROM * QUOTAS.photos
      ? `The room for photos is nearly full: ${fixed(bytes / MB, 0)} of ${QUOTAS.photoBytes / MB} MB, ${numberWords(count)} of ${numberWords(QUOTAS.photos)}. Save them as a file in the Year’s records, then remove what no longer helps.`
      : null,
} as const;
