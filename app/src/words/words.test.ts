import {
  byUrgency,
  conditionOf,
  DAY_MS,
  foldLog,
  HOUR_MS,
  USUAL_SCHOOLS,
  usualFacts,
  type LogEvent,
  type Thread,
} from '@tembrin/core';
import type { Household, Instrument } from '@tembrin/contract';
import { dateWords, dayWords, elapsedWords, lastingWords, minutesWords } from './dates';
import { headlineFor, paceReason, reasonFor } from './reasons';
import { stepWords } from './steps';
import { workingOf } from './workings';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ZONE = 'Europe/Lisbon';
const moment = { nowMs: NOW, timeZone: ZONE };
const ago = (days: number) => new Date(NOW - days * DAY_MS).toISOString();

const violin: Instrument = { id: 'v', name: 'Heron', ...usualFacts('violin'), addedAt: ago(300), version: 1 };
const household = { schools: USUAL_SCHOOLS, timeZone: ZONE } as Household;

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
  return conditionOf(instrument, foldLog(events, NOW, ZONE), USUAL_SCHOOLS, Date.parse(instrument.addedAt));
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
  expect(reason('hair', [event('rehaired', 380, { reason: 'routine', known: true })])).toMatch(/yearly look/);
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
    'The windows count on 30 min of playing a day: a start of 30 min a day, until your own log says more.',
  );
  expect(since(5, session(3, 1))).toMatch(/: 5 days of your log and a start of 30 min a day\.$/);
  expect(since(200, session(3, 1))).toMatch(/count on [1-4] min of playing a day: 200 days of your log, recent/);
});

test('every working shows its verdict, rule, school and what would change it, and adds up', () => {
  const fitted = event('strings-fitted', 100, { strings: null, reason: 'worn', known: true });
  const { threads, pace } = judge([
    fitted,
    ...session(50, 3),
    event('rehaired', 50, { reason: 'worn', known: true }),
    event('checked-up', 20, { known: true }),
  ]);
  for (const thread of threads) {
    const working = workingOf(thread, pace, violin, household, moment);
    expect(working.figures[0]![0]).toBe('Verdict');
    expect(working.figures.length).toBeGreaterThan(3);
    for (const text of [working.rule, working.school, ...working.changes]) expect(text).toMatch(/\.$/);
  }
  const wear = workingOf(threads[0]!, pace, violin, household, moment).figures.find(([label]) => label === 'Wear')![1];
  const [, hours, h, days, d, u] = /^([\d.]+) h ÷ (\d+) h \+ (\d+) d ÷ (\d+) d = ([\d.]+)$/.exec(wear)!.map(Number);
  expect(hours! / h! + days! / d!).toBeCloseTo(u!, 1);
});

test('steps are told as one who plays that instrument would', () => {
  const words = (family: Parameters<typeof usualFacts>[0]) => {
    const instrument = { ...violin, ...usualFacts(family) };
    return (
      stepWords('case', instrument).how +
      stepWords('wipe-hands', instrument).how +
      stepWords('wipe-strings', instrument).why
    );
  };
  expect(words('violin')).toMatch(/holder.*latch.*chin rest/);
  expect(words('cello')).toMatch(/Endpin in.*bow goes in last.*knees/);
  expect(words('guitar')).toMatch(/forearm.*corrodes/);
  expect(words('guitar')).not.toMatch(/bow/i);
  expect(words('harp')).toMatch(/arms rest/);
});
