import type { Instrument } from '@tembrin/contract';
import { becauseWords, openingWords } from './because';
import { dateWords, dayWords, elapsedWords, lastingWords, minutesWords } from './dates';
import { eventWords } from './events';
import { measureWords } from './measures';
import { readMeasure } from './typed';
import { headlineFor, paceReason, reasonFor } from './parts';
import { workingOf } from './parts/working';
import { assess } from '@tembrin/core/assess';
import { byUrgency, type Thread } from '@tembrin/core/parts';
import { DAY_MS, HOUR_MS } from '@tembrin/core/time';
import { foldLog, type LogEvent } from '@tembrin/core/log';
import { openingRound, type Because } from '@tembrin/core/routines';
import { rosinVerdict } from '@tembrin/core/bow';
import { schoolsFor, usualFacts } from '@tembrin/core/instruments';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ZONE = 'Europe/Lisbon';
const moment = { nowMs: NOW, timeZone: ZONE };
const ago = (days: number) => new Date(NOW - days * DAY_MS).toISOString();

const violin: Instrument = { id: 'v', name: 'Heron', ...usualFacts('violin'), addedAt: ago(300), version: 1 };
const schools = schoolsFor('violin');

let count = 0;
function event(type: LogEvent['type'], daysAgo: number, payload: object): LogEvent {
  return {
    id: `e${String(++count).padStart(4, '0')}`,
    instrumentId: 'v',
    type,
    occurredAt: ago(daysAgo),
    recordedAt: ago(daysAgo),
    payload,
  } as LogEvent;
}
function session(daysAgo: number, hours: number): LogEvent[] {
  const began = event('session-began', daysAgo, {});
  return [began, event('session-ended', daysAgo - hours / 24, { sessionId: began.id })];
}
function judge(events: LogEvent[], instrument = violin) {
  return assess(instrument, foldLog(events, NOW, ZONE), { schools, observedFrom: Date.parse(instrument.addedAt) });
}
function reason(part: Thread['part'], events: LogEvent[]) {
  return reasonFor(
    judge(events).threads.find((thread) => thread.part === part)!,
    violin,
    moment,
  );
}

test('dates name the year only when it is another', () => {
  expect(dateWords(NOW, NOW, ZONE)).toBe('1 Jun');
  expect(dateWords(Date.parse('2027-01-15T12:00:00Z'), NOW, ZONE)).toBe('15 Jan 2027');
});

test('days as people say them, by the calendar and not by 24 hours', () => {
  const at = (text: string) => dayWords(Date.parse(text), NOW, ZONE);
  expect(at('2026-06-01T00:10:00Z')).toBe('today');
  expect(at('2026-05-31T22:30:00Z')).toBe('yesterday');
  expect(at('2026-05-31T23:30:00Z')).toBe('today');
  expect(at('2026-05-28T12:00:00Z')).toBe('on Thursday');
  expect(at('2026-05-01T12:00:00Z')).toBe('on 1 May');
});

test('lengths of time in the unit people would use', () => {
  expect([elapsedWords(65_000), elapsedWords(3_725_000), elapsedWords(-5)]).toEqual(['01:05', '1:02:05', '00:00']);
  expect([minutesWords(62.4), minutesWords(390)]).toEqual(['62 min', '6.5 h']);
  expect([
    lastingWords(60_000),
    lastingWords(5 * HOUR_MS),
    lastingWords(10 * DAY_MS),
    lastingWords(200 * DAY_MS),
  ]).toEqual(['1 minute', '5 hours', '10 days', '7 months']);
});

test('each reason carries its figures', () => {
  const fitted = (daysAgo: number, strings: number[] | null = null) =>
    event('strings-fitted', daysAgo, { strings, reason: 'worn', known: true });
  expect(reason('strings', [])).toMatch(/Nobody has said/);
  expect(reason('strings', [fitted(90), ...session(40, 2)])).toMatch(
    /^Fitted 3 months ago, 2\.0 h played\. Change between .* and .*\.$/,
  );
  expect(reason('strings', [fitted(700)])).toMatch(/Change now; few last past/);
  expect(reason('strings', [fitted(90), fitted(80, [0, 1, 2])])).toMatch(/^The E was fitted/);
  expect(reason('rosin', [event('rosined', 3, {}), ...session(2, 1.2)])).toMatch(
    /^72 min of bowing since the last rosining\. Give it a few passes/,
  );
  expect(reason('rosin', [event('rosined', 3, {}), ...session(2, 0.5)])).toMatch(/due in 30 min/);
  expect(reason('residue', session(4, 0.5))).toMatch(/Nothing wiped for 4 days, with 30 min .*getting hard/);
  expect(reason('residue', session(90, 0.5))).toMatch(/workshop/);
  expect(reason('hair-look', [event('rehaired', 380, { reason: 'routine', known: true })])).toMatch(/yearly look/);
  expect(reason('checkup', [event('checked-up', 250, { known: true })])).toMatch(/every 6 months is the rule/);
});

test('the headline is the most pressing thing: a tight bow before all else', () => {
  const head = (events: LogEvent[]) => {
    const { threads, tension } = judge(events);
    return headlineFor(byUrgency(threads), tension?.tightSince ?? null, 0, moment);
  };
  expect(head([])).toMatchObject({ title: 'Ready to play', figure: null });
  expect(head(session(0.5, 1))).toMatchObject({ title: 'The bow is still tight', figure: '11' });
  const rosinDue = [event('rosined', 3, {}), ...session(2, 2)];
  const closed = ['slacken', 'wipe-stick', 'wipe-strings', 'wipe-rosin', 'wipe-hands'].map((step) =>
    event('step-done', 1.8, { step, sessionId: null }),
  );
  expect(head([...rosinDue, ...closed])).toMatchObject({ title: 'Rosin before you play', figure: '120' });
});

test('a player is told what the windows count on and what that rests on', () => {
  const since = (days: number, events: LogEvent[]) => paceReason(judge(events, { ...violin, addedAt: ago(days) }).pace);
  expect(since(0, [])).toBe(
    'The windows count on 30 min of playing a day: a start of 30 min a day, as nobody has said, until your own log says more.',
  );
  expect(since(5, session(3, 1))).toMatch(/: 5 days of your log and a start of 30 min a day, as nobody has said\.$/);
  expect(since(200, session(3, 1))).toMatch(/min of playing a day: 200 days of your log, recent/);
  expect(since(300, session(3, 1).concat(session(70, 1)))).not.toMatch(/pause/);
  expect(since(200, Array.from({ length: 60 }, (_each, at) => session(120 - at, 1)).flat())).toMatch(
    /Nothing played for \d+ days is taken for a pause/,
  );
});

test('every working shows its verdict, rule, school and what would change it, and adds up', () => {
  const fitted = event('strings-fitted', 100, { strings: null, reason: 'worn', known: true });
  const { threads, pace } = judge([
    fitted,
    ...session(50, 3),
    event('rehaired', 50, { reason: 'worn', known: true }),
    event('checked-up', 20, { known: true }),
  ]);
  const context = { pace, instrument: violin, schools, moment };
  for (const thread of threads) {
    const working = workingOf(thread, context);
    expect(working.figures[0]![0]).toBe('Verdict');
    expect(working.figures.length).toBeGreaterThan(3);
    for (const text of [working.rule, working.school, ...working.changes]) expect(text).toMatch(/\.$/);
  }
  const wear = workingOf(threads[0]!, context).figures.find(([label]) => label === 'Wear')![1];
  const [, hours, h, days, d, u] = /^([\d.]+) h ÷ (\d+) h \+ (\d+) d ÷ (\d+) d = ([\d.]+)$/.exec(wear)!.map(Number);
  expect(hours! / h! + days! / d!).toBeCloseTo(u!, 1);
});

test('hair that stood tight shows in its working', () => {
  const { threads, pace } = judge([event('rehaired', 50, { reason: 'worn', known: true }), ...session(20, 1)]);
  const working = workingOf(
    threads.find(({ part }) => part === 'hair')!,
    { pace, instrument: violin, schools, moment },
  );
  expect(working.figures.find(([label]) => label === 'Wear')![1]).toMatch(/ d ÷ \d+ d \+ 0\.\d\d = /);
  expect(working.rule).toMatch(/left tight counts as 0\.25 h/);
});

describe('why a step is there', () => {
  const log = (events: LogEvent[]) => foldLog(events, NOW, ZONE);

  test('the rosin verdict in the trade’s words', () => {
    const verdict = rosinVerdict(log([event('rosined', 3, {}), ...session(2, 62 / 60)]));
    expect(becauseWords({ code: 'rosin', verdict })).toBe('62 min since the last rosining: give it four passes.');
  });

  test('every reason is a sentence', () => {
    const reasons: Because[] = [
      { code: 'interval', days: null, everyDays: 7 },
      { code: 'interval', days: 9, everyDays: 7 },
      { code: 'strings-due' },
      { code: 'new-strings', days: 1 },
      { code: 'long-rest', days: 12 },
      { code: 'left-tight', hours: 14.2 },
      { code: 'more-turns', turns: 8, before: 6 },
      { code: 'not-measured' },
      { code: 'measure-again', days: 130 },
      { code: 'learning', sessions: 2 },
    ];
    for (const because of reasons) expect(becauseWords(because)).toMatch(/^[A-Z0-9].*\.$/);
    expect(becauseWords({ code: 'left-tight', hours: 14.2 })).toMatch(/14 h/);
  });
});

describe('measures', () => {
  test('are shown in the unit chosen', () => {
    expect(measureWords('endpin-length', 312, 'mm')).toBe('312 mm');
    expect(measureWords('endpin-length', 304.8, 'in')).toBe('12 in');
    expect(measureWords('bow-turns', 6.5, 'in')).toBe('6.5 turns');
    expect(measureWords('bow-turns', 1, 'mm')).toBe('1 turn');
    expect(measureWords('relief', 0.25, 'mm')).toBe('0.25 mm');
  });

  test('are read as people type them, and refused with what to do', () => {
    expect(readMeasure('bow-turns', ' 6,5 ', 'mm')).toBe(6.5);
    expect(readMeasure('endpin-length', '12', 'in')).toBeCloseTo(304.8, 3);
    expect(readMeasure('endpin-length', '', 'mm')).toMatch(/Write a number/);
    expect(readMeasure('endpin-length', '3000', 'mm')).toMatch(/between 0 and 700 mm\. Measure again/);
    expect(readMeasure('endpin-length', 'long', 'mm')).toMatch(/Write a number/);
  });
});

describe('the opening round in a line', () => {
  const facts = usualFacts('cello');
  const line = (events: LogEvent[]) => {
    const log = foldLog(events, NOW, ZONE);
    const sides = schoolsFor('cello');
    return openingWords(openingRound(assess(facts, log, { schools: sides, observedFrom: NOW - 300 * DAY_MS })), 'mm');
  };
  const slackened = (daysAgo: number, hours = 0.2) => {
    const [began, ended] = session(daysAgo, hours);
    const payload = { step: 'slacken', sessionId: began!.id };
    return [began!, ended!, event('step-done', daysAgo - hours / 24, payload), event('rosined', daysAgo + 0.001, {})];
  };
  const usual = Array.from({ length: 6 }, (_, at) => slackened(at + 1)).flat();
  const measured = event('measured', 20, { figure: 'endpin-length', value: 312 });

  test('says the player’s own measures on an ordinary day', () => {
    expect(line([...usual, measured])).toBe('As usual; endpin at your length: 312 mm.');
  });

  test('says what stands out instead, in its own words', () => {
    expect(line([...usual, measured, ...slackened(0.4, 1.2).slice(0, 3)])).toMatch(/^\d+ min since .* passes\.$/);
    expect(line(usual)).toBe(
      'Endpin at your length. Your own measure is not on record yet. Write it down once it fits.',
    );
  });

  test('promises to go step by step in the first evenings', () => {
    expect(line([measured])).toMatch(/^Step by step/);
  });

  test('leaves a bow left tight to the top of the stand', () => {
    const tight = session(0.3, 0.2);
    expect(line([...usual, measured, ...tight])).toBe('As usual; endpin at your length: 312 mm.');
  });
});

test('an entry about a bow names it where there are several', () => {
  const bows = new Map([['p', 'Pernambuco']]);
  const words = (type: LogEvent['type'], payload: object, named = bows) =>
    eventWords(event(type, 3, payload), violin, ZONE, named);
  expect(words('bow-taken', { bowId: 'p' })).toBe('Bow taken: Pernambuco');
  expect(words('rosined', { bowId: 'p' })).toBe('Rosined (Pernambuco)');
  expect(words('rehaired', { reason: 'worn', known: true, bowId: 'p' })).toBe('Bow rehaired (Pernambuco)');
  expect(words('rosined', {})).toBe('Rosined');
  // One that is gone, and a household with only one.
  expect(words('bow-taken', { bowId: 'gone' })).toBe('Another bow taken');
  expect(words('rosined', { bowId: 'p' }, new Map())).toBe('Rosined');
});
