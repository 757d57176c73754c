import { demoLibrary } from '@tembrin/simulators';
import type { CalendarPreview } from '@tembrin/contract';
import { readCalendar } from '../formats/calendar-read';
import type { BriefPages } from '../formats/brief-pdf';
import type { LabelPages } from '../formats/labels-pdf';
import type { PassportPages } from '../formats/passport-pdf';
import { fail } from '../problems/problems';
import { archivedLog, archiveParts } from './archive';
import { readContacts } from './contacts';
import { diaryEntries, diaryPreview } from './diary';
import { loggerPreview, loggerReadings } from './logger';

/** Something that is there at once, as a task. */
function atOnce<I, R>(work: (input: I) => R | Promise<R>) {
  return async function* (input: I): AsyncGenerator<never, R> {
    return await work(input);
  };
}

interface CalendarText {
  text: string;
  timeZone: string;
  nowMs: number;
}

/** What is done apart from everything else: reading all text that comes from outside, making the demo library. Each gives what it finds as it finds it. */
export const TASKS = {
  loggerPreview: atOnce(loggerPreview),
  loggerReadings,
  diaryPreview: atOnce(diaryPreview),
  diaryEntries,
  demoLibrary: atOnce(({ nowMs, timeZone }: { nowMs: number; timeZone: string }) => demoLibrary(nowMs, timeZone)),
  archive: archiveParts,
  archivedLog,
  contacts: atOnce(({ path }: { path: string }) => readContacts(path)),
  // What writes pages is large, and read by nobody else.
  brief: atOnce(async ({ sheets, paper, atMs }: BriefPages) =>
    (await import('../formats/brief-pdf')).briefPdf(sheets, paper, new Date(atMs)),
  ),
  passport: atOnce(async (pages: PassportPages) => (await import('../formats/passport-pdf')).passportPdf(pages)),
  labels: atOnce(async (pages: LabelPages) => (await import('../formats/labels-pdf')).labelsPdf(pages)),
  calendar: atOnce(async ({ text, timeZone, nowMs }: CalendarText): Promise<CalendarPreview> => {
    try {
      return await readCalendar(text, timeZone, nowMs);
    } catch (error) {
      return fail(422, 'no-calendar', (error as Error).message);
    }
  }),
} as const;

export type TaskName = keyof typeof TASKS;
export type InputOf<K extends TaskName> = Parameters<(typeof TASKS)[K]>[0];
type GeneratorOf<K extends TaskName> = ReturnType<(typeof TASKS)[K]>;
export type ItemOf<K extends TaskName> = GeneratorOf<K> extends AsyncGenerator<infer Item, unknown> ? Item : never;
export type ResultOf<K extends TaskName> =
  GeneratorOf<K> extends AsyncGenerator<unknown, infer Result> ? Result : never;
