import { type OperationId } from '@tembrin/contract';
/** What features/year/Records.tsx says. */
export const copy = {
  entriesCameIn: (events: number, instruments: number, known: number) =>
    `${events} entries came in${instruments > 0 ? `, with ${instruments} ${instruments === 1 ? 'instrument' : 'instruments'}` : ''}${known > 0 ? `; ${known} were here already` : ''}.`,
  fileToBringIn: 'File to bring in',
  outAndInAgain: 'Out and in again',
  putAPracticeDiary: 'Put a practice diary on record',
  aSpreadsheetWithDates: 'A spreadsheet with dates and minutes (.csv), looked at before anything is kept.',
  aFileSavedHere:
    'A file saved here, .json or the log in .csv. All of it comes in or nothing; what is here already stays as it is. Readings of hygrometers are not part of it.',
  chooseAFile: 'Choose a file',
} as const;

export const OUT: readonly { id: OperationId; title: string; what: string }[] = [
  {
    id: 'exportArchive',
    title: 'Everything',
    what: 'Instruments, dates, prices, spares and the whole log as one .json file. It can come in again.',
  },
  { id: 'exportLog', title: 'The log', what: 'Every entry, a line each, without a loss (.csv).' },
  { id: 'exportSessions', title: 'Sessions', what: 'What was played when, for a spreadsheet (.csv).' },
  { id: 'exportStrings', title: 'Strings', what: 'Every string’s time on: days, hours, why it came off (.csv).' },
];
