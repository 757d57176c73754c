import type { OperationId, ResponseOf } from '@tembrin/contract';
import { numberWords } from '../../numbers';

/** What features/year/Records.tsx says. */
export const copy = {
  entriesCameIn: (events: number, instruments: number, known: number) =>
    `${events} entries came in${instruments > 0 ? `, with ${instruments} ${instruments === 1 ? 'instrument' : 'instruments'}` : ''}${known > 0 ? `; ${known} were here already` : ''}.`,
  photosCameIn: (came: number, known: number) => {
    const here = known === 1 ? 'one photo was here already' : `${numberWords(known)} photos were here already`;
    if (came === 0) return `Nothing new came in${known > 0 ? `: ${here}` : ''}.`;
    return `${came === 1 ? 'One photo' : `${numberWords(came)} photos`} came in${known > 0 ? `; ${here}` : ''}.`;
  },
  fileToBringIn: 'File to bring in',
  outAndInAgain: 'Out and in again',
  putAPracticeDiary: 'Put a practice diary on record',
  aSpreadsheetWithDates: 'A spreadsheet with dates and minutes (.csv), looked at before anything is kept.',
  aFileSavedHere:
    'A file saved here: .json, the log in .csv, or photos in .zip; instruments before their photos. You are shown first what comes in and what does not; then all of it comes in or nothing, and what is here already stays as it is.',
  chooseAFile: 'Choose a file',
  whatComesIn: 'What comes in',
  bringItIn: 'Bring it in',
  nothingNew: 'Nothing in it is new here.',
  comes: ({
    events,
    instruments,
    places,
    sensors,
    readings,
    cards,
    settings,
  }: ResponseOf<'importArchive'>): string[] => {
    const count = (number: number, one: string, many: string) =>
      number === 0 ? [] : [`${numberWords(number)} ${number === 1 ? one : many}`];
    return [
      ...(settings ? ['Name, time zone, schools and currency of the household'] : []),
      ...count(instruments, 'instrument', 'instruments'),
      ...count(places, 'room or case', 'rooms and cases'),
      ...count(sensors, 'hygrometer', 'hygrometers'),
      ...count(readings, 'reading', 'readings'),
      ...count(cards, 'date, price, spare or bow', 'dates, prices, spares and bows'),
      ...count(events, 'entry of the log', 'entries of the log'),
    ];
  },
  hereAlready: (known: number) =>
    known === 1 ? 'One entry is here already.' : `${numberWords(known)} entries are here already.`,
} as const;

export const OUT: readonly { id: OperationId; title: string; what: string }[] = [
  {
    id: 'exportArchive',
    title: 'Everything',
    what: 'Instruments, bows, dates, prices, spares, rooms, hygrometers with their readings and the whole log as one .json file; photos apart. It can come in again, here or on another server.',
  },
  {
    id: 'exportPhotos',
    title: 'The photos',
    what: 'Every photo that is kept, as one .zip file. It can come in again where their instruments are.',
  },
  { id: 'exportLog', title: 'The log', what: 'Every entry, a line each, without a loss (.csv).' },
  { id: 'exportSessions', title: 'Sessions', what: 'What was played when, for a spreadsheet (.csv).' },
  { id: 'exportStrings', title: 'Strings', what: 'Every string’s time on: days, hours, why it came off (.csv).' },
];
