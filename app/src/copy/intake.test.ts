import type { IntakeProgress } from '@tembrin/contract';
import { quietWords, refillWords, tankWords } from './air-working';
import { dayWords, sinceDayWords, spanWords } from './dates';
import { DIARY_COPY, INTAKE_COPY, loggerOutcome, progressShare, progressTitle, sizeWords } from './intake';
import { optionsOf } from './lists';
import { movedWords, movementWords, temperatureFigure, temperatureWords } from './measures';

const progress = (more: Partial<IntakeProgress>): IntakeProgress => ({
  state: 'running',
  lines: 0,
  received: 0,
  bytes: 0,
  total: null,
  intake: { stored: 0, known: 0, corrected: 0 },
  left: 0,
  unreadable: 0,
  examples: [],
  problem: null,
  ...more,
});

test('sizes as people know them', () => {
  expect([120, 4200, 2_640_000].map(sizeWords)).toEqual(['1 kB', '4 kB', '2.6 MB']);
});

test('an import is told from its first byte to its last line, and never runs backwards', () => {
  const total = 10_000_000;
  const stages = [
    progress({ total, received: 2_500_000 }),
    progress({ total, received: total }),
    progress({ total, received: total, bytes: 5_000_000, lines: 61_234 }),
    progress({ total, received: total, bytes: total, lines: 122_000 }),
  ];
  expect(stages.map(progressTitle)).toEqual([
    '2.5 MB of 10.0 MB sent',
    '10.0 MB of 10.0 MB sent',
    '61,234 lines',
    '122,000 lines',
  ]);
  expect(stages.map(progressShare)).toEqual([0.125, 0.5, 0.75, 1]);
  expect(progressTitle(progress({ received: 900 }))).toBe('1 kB sent');
  expect(progressTitle(progress({ state: 'waiting', received: 900 }))).toBe('Waiting until another file is read');
  expect(progressShare(progress({ received: 900 }))).toBe(0);
});

test('what came of a logger’s file, in figures', () => {
  const all = loggerOutcome(progress({ intake: { stored: 1440, known: 0, corrected: 2 }, unreadable: 3 }));
  expect(all).toEqual({
    title: 'It is all in',
    rows: [
      ['New readings', '1,440'],
      ['Known already', '0'],
      ['Changed', '2'],
      ['Lines left out', '3'],
    ],
  });
  expect(loggerOutcome(progress({ intake: { stored: 0, known: 9, corrected: 0 } })).title).toMatch(/known already/);
});

test('a diary counts in one and in many, and says when only its top was looked at', () => {
  expect(DIARY_COPY.bring(1, false)).toBe('Put 1 session on record');
  expect(DIARY_COPY.bring(40, true)).toBe('Put all of it on record');
  expect(DIARY_COPY.sum(3, 75, false)).toBe('3 sessions, 75 min');
  expect(DIARY_COPY.sum(200, 6000, true)).toMatch(/ in its first lines$/);
  expect([DIARY_COPY.faulty(1), DIARY_COPY.faulty(2)]).toEqual(['1 line is left out', '2 lines are left out']);
  expect(DIARY_COPY.brought({ stored: 0, known: 3, corrected: 0 })).toBe('0 sessions are on record; 3 were already.');
  expect(DIARY_COPY.brought({ stored: 1, known: 0, corrected: 0 })).toBe('1 session is on record.');
});

test('a line that cannot be read stands with its number, a tab made visible', () => {
  expect(INTAKE_COPY.raw(4, ['5', 'soon'], ';')).toBe('Line 4: 5; soon');
  expect(INTAKE_COPY.raw(4, ['5', 'soon'], '\t')).toBe('Line 4: 5  soon');
  expect(INTAKE_COPY.tooLarge(5_200_000, 4_000_000)).toMatch(/^That file has 5\.2 MB; at most 4\.0 MB are read\. Send/);
});

test('choices stand in the order in which they are written', () => {
  expect(optionsOf({ leave: 'Leave', add: 'Add' })).toEqual([
    { value: 'leave', title: 'Leave' },
    { value: 'add', title: 'Add' },
  ]);
});

test('a day is called differently after “since” and by itself', () => {
  const now = Date.parse('2026-06-03T12:00:00Z');
  const day = (ago: number) => now - ago * 86_400_000;
  const called = (words: typeof dayWords) => [0, 1, 3, 40].map((ago) => words(day(ago), now, 'UTC'));
  expect(called(dayWords)).toEqual(['today', 'yesterday', 'on Sunday', 'on 24 Apr']);
  expect(called(sinceDayWords)).toEqual(['today', 'yesterday', 'Sunday', '24 Apr']);
  expect(spanWords(day(3), now, now, 'UTC', 'and')).toBe('31 May and 3 Jun');
});

test('figures with and without their sign and unit', () => {
  expect([movementWords(-0.83, 'mm'), movedWords(-0.83, 'mm')]).toEqual(['−0.83 mm', '0.83 mm']);
  expect([temperatureWords(-4.6, 'C', 0), temperatureFigure(-4.6, 'C')]).toEqual(['−5 °C', '−5']);
  expect([refillWords(7), tankWords(72)]).toEqual(['every 7 hours', '3 days']);
});

test('instruments nothing has to be done for', () => {
  expect(quietWords(['Heron'], true)).toBe('Heron is fine.');
  expect(quietWords(['Heron', 'Wren'], true)).toBe('Heron and Wren are fine.');
  expect(quietWords(['Heron'], false)).toBe('Heron: not judged yet.');
});
