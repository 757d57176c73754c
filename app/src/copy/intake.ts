import { fixed, numberWords } from './numbers';
import type { IntakeProgress } from '@tembrin/contract';
import { minutesWords } from './dates';
import type { CalendarOrder } from '@tembrin/core/tables';
import type { DateOrder } from '@tembrin/core/air';
import type { DiaryPlan } from '@tembrin/core/exchange';

const MEGABYTE = 1_000_000;
const sessions = (number: number) => `${numberWords(number)} ${number === 1 ? 'session' : 'sessions'}`;

/** "12 kB", "1.4 MB" */
export function sizeWords(bytes: number): string {
  return bytes < MEGABYTE ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${fixed(bytes / MEGABYTE, 1)} MB`;
}

export const CALENDAR_ORDER_TITLES: Readonly<Record<CalendarOrder, string>> = {
  dmy: 'Day, month, year',
  mdy: 'Month, day, year',
  ymd: 'Year, month, day',
};
export const DATE_ORDER_TITLES: Readonly<Record<DateOrder, string>> = {
  ...CALENDAR_ORDER_TITLES,
  iso: 'With its time zone',
  epoch: 'Seconds since 1970',
};

/** What is said of any file that is read line by line. */
export const INTAKE_COPY = {
  choose: 'Choose a file',
  another: 'Choose another',
  stop: 'Stop the import',
  stopped: 'The import was stopped. Nothing of it was kept.',
  unsure:
    'The import was asked to stop, and the server did not answer. Look at what is on record before you bring the file in again; what is there is never stored twice.',
  progress: 'The import',
  untilThen: 'Nothing is kept until all of it is in.',
  ambiguous: 'The dates can be read in more than one way. Say which number is the day, and which the year.',
  missing: 'Not everything could be told from the file. Say what is missing below.',
  firstLines: 'The first lines',
  tooLarge: (size: number, most: number) =>
    `That file has ${sizeWords(size)}; at most ${sizeWords(most)} are read. Send it in parts, a shorter stretch each.`,
  heading: (read: boolean) => (read ? 'So it would be read' : 'Its first lines'),
  readable: (readable: number, of: number) =>
    `${numberWords(readable)} of the first ${numberWords(of)} lines can be read.`,
  bare: (cells: readonly string[], delimiter: string) => cells.join(delimiter === '\t' ? '  ' : `${delimiter} `),
  raw: (line: number, cells: readonly string[], delimiter: string) =>
    `Line ${line}: ${cells.join(delimiter === '\t' ? '  ' : `${delimiter} `)}`,
  example: (line: number, text: string, fault: string) => `Line ${line}, “${text}”: ${fault}`,
  chosen: (name: string, size: number) => `${name}, ${sizeWords(size)}`,
} as const;

/** How far an import is: what has arrived while it is being sent, then the lines that were read. */
export function progressTitle({ state, lines, received, total }: IntakeProgress): string {
  if (state === 'waiting') return 'Waiting until another file is read';
  if (lines > 0) return `${numberWords(lines)} lines`;
  return total === null ? `${sizeWords(received)} sent` : `${sizeWords(received)} of ${sizeWords(total)} sent`;
}

/** Share of an import that is done, 0 to 1: half for sending it, half for reading it. */
export function progressShare({ received, bytes, total }: IntakeProgress): number {
  return total ? Math.min(1, (received + bytes) / (2 * total)) : 0;
}

/** What is said of a logger's file. */
export const LOGGER_COPY = {
  title: 'Import a file',
  file: 'The logger’s file',
  about: (name: string) =>
    `For ${name}. A CSV file as its logger exports it; times are read in the household’s time zone.`,
  bring: 'Import it',
  look: 'Look at the air',
  understood: 'So it is understood',
  middle: 'In the middle',
  last: 'The last line',
  columns: {
    date: 'Date',
    order: 'Order of the date',
    rh: 'Humidity',
    temp: 'Temperature',
    unit: 'Its unit',
    clock: 'Time of day',
    rhUnit: 'Humidity is given',
    none: 'None',
  },
  rhUnits: { percent: 'in percent, like 45', fraction: 'as a fraction, like 0.45' },
} as const;

/** What became of a logger's file, when it is in. */
export function loggerOutcome({ intake, unreadable }: IntakeProgress) {
  return {
    title: intake.stored === 0 && intake.corrected === 0 ? 'All of it was known already' : 'It is all in',
    rows: [
      ['New readings', numberWords(intake.stored)],
      ['Known already', numberWords(intake.known)],
      ['Changed', numberWords(intake.corrected)],
      ['Lines left out', numberWords(unreadable)],
    ] as const,
  };
}

/** What is said of a practice diary. */
export const DIARY_COPY = {
  title: 'Practice diary',
  about:
    'A file with a date and a length of time in each line; a column with the instrument if there are several. Days without a time of day are put from noon on.',
  units: {
    minutes: 'Minutes',
    hours: 'Hours',
    seconds: 'Seconds',
    clock: 'Hours and minutes, like 1:20',
    'min-sec': 'Minutes and seconds, like 45:30',
  } satisfies Record<DiaryPlan['unit'], string>,
  columns: {
    date: 'The date is in',
    order: 'Dates are written as',
    length: 'How long was played is in',
    unit: 'It is in',
    instrument: 'The instrument is in',
    none: 'No column: one for all',
    whose: 'All of it is about',
    onRecord: 'Days that have playing on record',
  },
  onRecord: { leave: 'Leave as they are', add: 'Add the diary’s beside it' },
  orderAsked: 'They can be read in more than one way. Which comes first?',
  unitAsked: 'The file does not say.',
  needsWhose: 'Say which instrument it is about',
  nothingNew: 'Nothing new in it',
  unanswered: 'Answer what is asked',
  bring: (number: number, cut: boolean) => (cut ? 'Put all of it on record' : `Put ${sessions(number)} on record`),
  sum: (number: number, minutes: number, cut: boolean) =>
    `${sessions(number)}, ${minutesWords(minutes)}${cut ? ' in its first lines' : ''}`,
  left: (number: number) => `${numberWords(number)} left out: their days have playing on record.`,
  faulty: (number: number) => `${numberWords(number)} ${number === 1 ? 'line is' : 'lines are'} left out`,
  brought: ({ stored, known }: IntakeProgress['intake']) =>
    `${sessions(stored)} ${stored === 1 ? 'is' : 'are'} on record${known > 0 ? `; ${numberWords(known)} were already` : ''}.`,
} as const;
