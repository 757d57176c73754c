import type { Household, Instrument } from '@tembrin/contract';
import { assessInstrument, type Assessment } from '@tembrin/core/assess';
import { usualFacts } from '@tembrin/core/instruments';
import type { LogEvent } from '@tembrin/core/log';
import { HOUR_MS, MINUTE_MS } from '@tembrin/core/time';
import { sent } from '@/testing/sent';
import { Assessor, type Changes, type Verdict } from './assessor';
import { heardAgain } from './heard-again';

const NOW = Date.parse('2026-06-01T20:00:00.000Z');
const of = (id: string) => ({ id, name: id, ...usualFacts('violin'), addedAt: '2026-01-01T12:00:00.000Z', version: 1 });
const NONE: ReadonlySet<string> = new Set();
const household = {
  id: 'h',
  name: 'Ours',
  timeZone: 'UTC',
  schools: {},
  people: [],
  version: 1,
  instruments: [of('heron'), of('wren'), of('tern')],
} as unknown as Household;
const rosined = (id: string, at: number): LogEvent => ({
  id: `${id}-${at}`,
  instrumentId: id,
  type: 'rosined',
  occurredAt: new Date(at).toISOString(),
  recordedAt: new Date(at).toISOString(),
  payload: {},
});

type Heard = Exclude<Verdict, { kind: 'instrument' }> | (OfInstrument & { assessment: Assessment<Instrument> });
type OfInstrument = Omit<Extract<Verdict, { kind: 'instrument' }>, 'assessment'>;

/** An assessor whose work is done when the test says so. */
function bench() {
  const told: Heard[] = [];
  const heard = new Map<string, Assessment<Instrument>>();
  const waiting: (() => void)[] = [];
  const assessor = new Assessor(
    (verdict) => {
      if (verdict.kind === 'year') return told.push(verdict);
      const before = verdict.since === null ? undefined : heard.get(verdict.instrumentId);
      const assessment = heardAgain(before, sent(verdict.assessment));
      heard.set(verdict.instrumentId, assessment);
      return told.push({ ...verdict, assessment });
    },
    (work) => waiting.push(work),
  );
  let turn = 0;
  return {
    told,
    take: (changes: Partial<Changes>) => assessor.take({ nowMs: NOW, turn: ++turn, ...changes }),
    step: () => waiting.shift()?.(),
    finish: () => {
      while (waiting.length > 0) waiting.shift()!();
    },
    ids: () => told.splice(0).map((verdict) => (verdict.kind === 'year' ? 'year' : verdict.instrumentId)),
  };
}

test('what is on screen is judged first, one instrument at a time, then the year once everything is there', () => {
  const { take, finish, ids } = bench();
  take({ watched: ['tern'] });
  take({ household, complete: NONE });
  expect(ids()).toEqual(['tern']);
  finish();
  expect(ids()).toEqual(['heron', 'wren']);
  take({ complete: 'all' });
  finish();
  expect(ids()).toEqual(['tern', 'heron', 'wren', 'year']);
});

test('what is not on screen waits for air and cards that are on their way, and for none that do not come', () => {
  const { take, finish, ids } = bench();
  take({ household, complete: 'all', airComing: true, cardsComing: true, watched: ['wren'] });
  finish();
  expect(ids()).toEqual(['wren']);
  take({ appointments: [], occasions: [], cardsComing: false });
  finish();
  expect(ids()).toEqual(['wren']);
  take({ air: null, airComing: false, watched: [] });
  finish();
  expect(ids()).toEqual(['heron', 'wren', 'tern', 'year']);
});

test('nothing is judged by a log that was not read yet: it is not an empty one', () => {
  const { take, finish, ids, told } = bench();
  take({ household, watched: ['heron'] });
  finish();
  expect(ids()).toEqual([]);
  take({ events: { heron: { anew: true, events: [rosined('heron', NOW - HOUR_MS)] } } });
  finish();
  expect(ids()).toEqual([]);
  take({ complete: NONE });
  finish();
  expect(told).toHaveLength(3);
  expect(told[0]).toMatchObject({ instrumentId: 'heron', assessment: { log: { rosinings: [expect.anything()] } } });
  // Nor by another household's.
  ids();
  take({ household: { ...household, id: 'other' } });
  finish();
  expect(ids()).toEqual([]);
});

test('a verdict is what the core makes of the same events', () => {
  const { take, finish, told } = bench();
  const events = [rosined('heron', NOW - 3 * HOUR_MS), rosined('heron', NOW - HOUR_MS)];
  take({ household, complete: 'all', events: { heron: { anew: true, events: events.slice(0, 1) } } });
  take({ events: { heron: { anew: false, events: events.slice(1) } } });
  finish();
  const last = told.findLast((each) => each.kind === 'instrument' && each.instrumentId === 'heron');
  const instrument = household.instruments[0]!;
  expect(last).toMatchObject({
    assessment: assessInstrument(instrument, {
      ...household,
      eventsOf: () => events,
      places: new Map(),
      occasions: [],
      bows: [],
      nowMs: NOW,
    }),
  });
});

test('what changes meanwhile is taken in between two instruments, and only that is judged anew', () => {
  const { take, step, finish, ids } = bench();
  take({ household, complete: 'all' });
  step();
  expect(ids()).toEqual(['heron', 'wren']);
  take({ events: { heron: { anew: true, events: [rosined('heron', NOW - HOUR_MS)] } } });
  finish();
  expect(ids()).toEqual(['heron', 'tern', 'year']);
});

test('a log that is still coming in is judged by the minute where it is not on screen, and at once when it is whole', () => {
  const { take, finish, ids } = bench();
  const more = (hours: number) => ({
    heron: { anew: false, events: [rosined('heron', NOW - hours * HOUR_MS)] },
    wren: { anew: false, events: [rosined('wren', NOW - hours * HOUR_MS)] },
  });
  take({ household, complete: NONE, watched: ['wren'] });
  finish();
  ids();
  take({ events: more(9) });
  finish();
  expect(ids()).toEqual(['wren']);
  take({ events: more(8), nowMs: NOW + MINUTE_MS });
  finish();
  expect(ids()).toEqual(['wren', 'heron']);
  take({ events: more(7), complete: new Set(['heron']), nowMs: NOW + MINUTE_MS });
  finish();
  expect(ids()).toEqual(['wren', 'heron']);
});

test('what comes in several messages is judged once, when all of it is there', () => {
  const { take, finish, ids, told } = bench();
  take({ household, complete: NONE });
  finish();
  ids();
  take({ events: { heron: { anew: true, events: [rosined('heron', NOW - 3 * HOUR_MS)] } }, more: true });
  finish();
  take({ events: { heron: { anew: false, events: [rosined('heron', NOW - HOUR_MS)] } }, more: true });
  finish();
  expect(ids()).toEqual([]);
  take({ complete: new Set(['heron']) });
  finish();
  expect(told).toHaveLength(1);
  expect(told[0]).toMatchObject({ instrumentId: 'heron', complete: true });
  expect(told[0]).toMatchObject({ assessment: { log: { rosinings: [expect.anything(), expect.anything()] } } });
});

test('a verdict says whether it rests on all of the log, and is given again once it does', () => {
  const { take, finish, told } = bench();
  const whole = () => told.splice(0).map((each) => each.kind === 'instrument' && [each.instrumentId, each.complete]);
  take({ household, complete: new Set(['wren']) });
  finish();
  expect(whole()).toEqual([
    ['heron', false],
    ['wren', true],
    ['tern', false],
  ]);
  take({ complete: 'all' });
  finish();
  expect(whole()).toEqual([['heron', true], ['tern', true], false]);
});

test('time alone judges by the minute what is on screen, and by the hour what is not', () => {
  const { take, finish, ids } = bench();
  take({ household, complete: NONE, watched: ['wren'] });
  finish();
  ids();
  take({ nowMs: NOW + MINUTE_MS });
  finish();
  expect(ids()).toEqual(['wren']);
  take({ nowMs: NOW + HOUR_MS });
  finish();
  expect(ids()).toEqual(['wren', 'heron', 'tern']);
});

test('another household leaves nothing behind', () => {
  const { take, finish, told } = bench();
  take({ household, complete: NONE, events: { heron: { anew: true, events: [rosined('heron', NOW - HOUR_MS)] } } });
  finish();
  told.length = 0;
  take({ household: { ...household, id: 'other' }, complete: NONE });
  finish();
  expect(told.every(({ householdId }) => householdId === 'other')).toBe(true);
  const [first] = told;
  expect(first?.kind === 'instrument' && first.assessment.log.rosinings).toEqual([]);
});

test('a verdict says which message was the last it rests on', () => {
  const { take, finish, told } = bench();
  take({ household, complete: 'all' });
  finish();
  take({ appointments: [] });
  take({ events: { wren: { anew: true, events: [] } } });
  finish();
  const last = told.findLast((each) => each.kind === 'instrument');
  expect(last).toMatchObject({ instrumentId: 'wren', turn: 3 });
});

test('what one instrument tells of its player is taken to the others, once nothing else waits', () => {
  const { take, finish, ids, told } = bench();
  take({ household, complete: new Set(['heron', 'wren', 'tern']) });
  finish();
  ids();
  const fitted = (days: number, reason: 'on-record' | 'worn'): LogEvent => ({
    ...rosined('heron', NOW - days * 24 * HOUR_MS),
    type: 'strings-fitted',
    payload: { strings: null, reason, known: true },
  });
  const events = [fitted(400, 'on-record'), fitted(200, 'worn'), fitted(100, 'worn')];
  take({ events: { heron: { anew: true, events } } });
  finish();
  const learned = told.map((each) => {
    if (each.kind !== 'instrument') return each.kind;
    const strings = each.assessment.threads.find((thread) => thread.part === 'strings');
    return [each.instrumentId, strings?.elsewhere];
  });
  const elsewhere = { worn: 2, instruments: 1 };
  expect(learned).toEqual([
    ['heron', null],
    ['wren', elsewhere],
    ['tern', elsewhere],
  ]);
  // Told the same again, nobody is judged anew.
  ids();
  take({ events: { heron: { anew: false, events: [rosined('heron', NOW - HOUR_MS)] } } });
  finish();
  expect(ids()).toEqual(['heron']);
});
