import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { usualFacts } from '@tembrin/core';
import { readCalendar } from '../formats/calendar-read';
import { ProblemError } from '../problems/problems';
import { LOGGER_PLAN } from '../testing/air';
import { archivedLog, archiveParts, LOG_COLUMNS } from './archive';
import { diaryEntries } from './diary';
import { loggerReadings } from './logger';

/**
 * Text made to hurt: each format is read at a length and at eight times that. Linear growth takes eight times as long, quadratic
 * sixty-four.
 */
const TIMES = 8;
const MOST_TIMES = 24;
/** Less than this is noise, ms. */
const FLOOR_MS = 8;
const RUNS = 3;

const folder = mkdtempSync(join(tmpdir(), 'tembrin-growth-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
let files = 0;
function fileOf(text: string): string {
  const path = join(folder, String(files++));
  writeFileSync(path, text);
  return path;
}

const NOW = Date.parse('2026-11-20T12:00:00Z');
const ID = '0195d3a0-0000-7000-8000-000000000001';

async function readAll(found: AsyncIterable<unknown>): Promise<void> {
  // Everything is asked for; nothing is kept.
  for await (const each of found) void each;
}

const FORMATS = {
  logger: (text: string) => {
    const file = { path: fileOf(text), delimiter: ';', skip: 0 };
    return () => readAll(loggerReadings({ file, plan: LOGGER_PLAN, timeZone: 'Europe/Lisbon', nowMs: NOW }));
  },
  diary: (text: string) => {
    const file = { path: fileOf(text), delimiter: ';', skip: 0 };
    const instrument = {
      id: ID,
      name: 'Heron',
      ...usualFacts('violin'),
      addedAt: new Date(NOW).toISOString(),
      version: 1,
    };
    const plan = {
      delimiter: ';',
      skip: 0,
      date: 0,
      order: 'ymd',
      length: 1,
      unit: 'minutes',
      instrument: null,
    } as const;
    const choices = { instrumentId: ID, onRecord: 'add' } as const;
    const ground = { instruments: [instrument], events: [], choices, timeZone: 'Europe/Lisbon', nowMs: NOW };
    return () => readAll(diaryEntries({ file, plan, leaveFaulty: true, ground }));
  },
  calendar: (text: string) => () => readCalendar(text, 'Europe/Lisbon', NOW).then(() => undefined),
  archive: (text: string) => {
    const path = fileOf(text);
    const ids = { places: [], sensors: [], cards: [], people: [] };
    return () =>
      readAll(archiveParts({ path, ground: { instruments: [], ids, events: [], timeZone: 'UTC', nowMs: NOW } }));
  },
  log: (text: string) => {
    const path = fileOf(text);
    const ids = { places: [], sensors: [], cards: [], people: [] };
    const instruments = [{ id: ID, ...usualFacts('violin') }];
    return () => readAll(archivedLog({ path, ground: { instruments, ids, events: [], timeZone: 'UTC', nowMs: NOW } }));
  },
} as const;

const EVENT = (at: number, more = '') =>
  `BEGIN:VEVENT\r\nUID:${at}\r\nDTSTAMP:20260101T000000Z\r\nDTSTART:202612${String(1 + (at % 28)).padStart(2, '0')}T100000Z\r\nSUMMARY:Concert\r\n${more}END:VEVENT\r\n`;
const calendar = (body: string) => `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//x//EN\r\n${body}END:VCALENDAR\r\n`;
const lines = (count: number, line: (at: number) => string) =>
  Array.from({ length: count }, (_, at) => line(at)).join('');
const archived = (more: object) =>
  JSON.stringify({
    format: 'tembrin-1',
    exportedAt: new Date(NOW).toISOString(),
    household: { name: 'x', timeZone: 'UTC', schools: {}, currency: null },
    instruments: [{ id: ID, name: 'Heron', ...usualFacts('violin') }],
    places: [],
    cards: [],
    events: [],
    ...more,
  });
const session = (at: number, id: number) => ({
  id: `0195d3a0-0000-7000-8000-${String(id).padStart(12, '0')}`,
  instrumentId: ID,
  type: 'session-entered',
  occurredAt: new Date(at).toISOString(),
  recordedAt: new Date(NOW).toISOString(),
  payload: { endedAt: new Date(at + 1_800_000).toISOString() },
});

/** What is read, by how long it is. */
const HOSTILE: readonly [format: keyof typeof FORMATS, what: string, least: number, text: (n: number) => string][] = [
  ['logger', 'a cell of blanks', 10_000, (n) => `2025-01-06 00:00;${' '.repeat(n)}45;20\n`],
  ['logger', 'a cell of digits', 10_000, (n) => `2025-01-06 00:00;${'1'.repeat(n)}x;20\n`],
  ['logger', 'quotation marks that are never closed', 10_000, (n) => '";'.repeat(n)],
  ['logger', 'nothing but separators', 10_000, (n) => `${';'.repeat(n)}\n`],
  ['logger', 'lines of nothing', 20_000, (n) => '\n'.repeat(n)],
  ['logger', 'one instant again and again', 3_000, (n) => '2025-01-06 00:00;45;20\n'.repeat(n)],
  ['diary', 'many lines of one day', 1_500, (n) => '2026-02-03;1\n'.repeat(n)],
  [
    'diary',
    'many days',
    800,
    (n) => lines(n, (at) => `${new Date(NOW - (at + 1) * 86_400_000).toISOString().slice(0, 10)};30\n`),
  ],
  ['diary', 'a cell of blanks', 10_000, (n) => `2026-02-03;${' '.repeat(n)}30\n`],
  ['calendar', 'openings without an end', 4_000, (n) => 'BEGIN:VEVENT\r\n'.repeat(n)],
  ['calendar', 'one event under one name again and again', 400, (n) => calendar(EVENT(1).repeat(n))],
  ['calendar', 'many events', 400, (n) => calendar(lines(n, (at) => EVENT(at)))],
  [
    'calendar',
    'one line that is folded all the way',
    10_000,
    (n) => calendar(EVENT(1, `DESCRIPTION:x\r\n${' y\r\n'.repeat(n)}`)),
  ],
  ['calendar', 'many parameters', 5_000, (n) => calendar(EVENT(1, `X-ODD${';A="b"'.repeat(n)}:x\r\n`))],
  ['archive', 'deep nesting', 20_000, (n) => `{"format":${'['.repeat(n)}`],
  ['archive', 'one key again and again', 20_000, (n) => `{${'"format":"x",'.repeat(n)}"format":"tembrin-1"}`],
  [
    'archive',
    'many sessions, the newest first',
    300,
    (n) => archived({ events: Array.from({ length: n }, (_, at) => session(NOW - (at + 1) * 3_600_000, at)) }),
  ],
  ['log', 'cells of quotation marks', 10_000, (n) => `${LOG_COLUMNS.join(',')}\n${'""'.repeat(n)}\n`],
];

/** How long it takes, at best of some runs, ms; what is refused was read as well. */
async function took(read: () => Promise<void>): Promise<number> {
  let best = Infinity;
  for (let run = 0; run < RUNS; run++) {
    const began = performance.now();
    await read().catch((error: unknown) => {
      // Bounds that are met are told; what else a format says of itself is its own word for unreadable.
      if (!(error instanceof ProblemError) && !(error instanceof Error)) throw error;
    });
    best = Math.min(best, performance.now() - began);
  }
  return best;
}

test.each(HOSTILE)(
  '%s: %s takes no more than in proportion to its length',
  async (format, _what, least, text) => {
    const once = FORMATS[format](text(least));
    const longer = FORMATS[format](text(TIMES * least));
    // Once for warming up.
    await took(once);
    const [short, long] = [await took(once), await took(longer)];
    expect(long / Math.max(FLOOR_MS, short)).toBeLessThan(MOST_TIMES);
  },
  60_000,
);
