import fc from 'fast-check';
import {
  answerSchema,
  contactSchema,
  dialled,
  isOver,
  proposalsOf,
  visitSchema,
  visitState,
  VISIT_STATES,
  type AnswerOf,
} from '.';
import type { Asked } from '../brief';
import { logEventSchema } from '../log';
import { scribe } from '../testing/events';

const ID = '00000000-0000-4000-8000-000000000001';
const BRIEF = '00000000-0000-4000-8000-000000000002';
const OTHER = '00000000-0000-4000-8000-000000000003';
const VISIT = '00000000-0000-4000-8000-000000000004';
const AT = Date.parse('2026-05-01T12:00:00.000Z');

const visit = (more: object = {}) =>
  visitSchema.parse({ briefIds: [BRIEF], contactId: null, date: null, askedAt: null, endedAt: null, ...more });
const stay = (visitId: string | null, backAt: number | null) => ({
  eventId: OTHER,
  at: AT,
  visitId,
  expected: null,
  backAt,
});

test.each([
  ['planned', {}, { shared: false, answers: 0 }, []],
  ['asked', {}, { shared: true, answers: 0 }, []],
  ['asked', { askedAt: '2026-05-01T12:00:00.000Z' }, { shared: false, answers: 0 }, []],
  ['answered', {}, { shared: true, answers: 2 }, []],
  ['brought', {}, { shared: true, answers: 2 }, [stay(VISIT, null)]],
  ['brought', {}, { shared: false, answers: 0 }, [stay(VISIT, AT + 1), stay(VISIT, null)]],
  ['back', {}, { shared: true, answers: 2 }, [stay(VISIT, AT + 1)]],
  ['planned', {}, { shared: false, answers: 0 }, [stay(OTHER, null), stay(null, null)]],
  ['called-off', { endedAt: '2026-05-01T12:00:00.000Z' }, { shared: true, answers: 1 }, []],
  ['back', { endedAt: '2026-05-01T12:00:00.000Z' }, { shared: true, answers: 1 }, [stay(VISIT, AT)]],
] as const)('a visit is %s', (state, more, sent, stays) => {
  expect(visitState(VISIT, visit(more), sent, stays)).toBe(state);
});

test('a visit goes one way, and is over at its end', () => {
  expect(VISIT_STATES.filter(isOver)).toEqual(['back']);
  expect(isOver('called-off')).toBe(true);
});

const asked: Asked[] = [
  { about: 'part', part: 'hair', bowId: null, words: 'Rehair' },
  { about: 'part', part: 'strings', bowId: null, words: 'New strings' },
  { about: 'part', part: 'checkup', bowId: null, words: 'Checkup' },
  { about: 'part', part: 'hair-look', bowId: OTHER, words: 'Look at the hair' },
  { about: 'part', part: 'hair', bowId: OTHER, words: 'Rehair the spare' },
  { about: 'finding', findingId: OTHER, words: 'An open seam' },
  { about: 'trouble', troubleId: OTHER, words: 'It buzzes' },
  { about: 'other', words: 'A new saddle' },
];
const sheet = { briefId: BRIEF, instrumentId: ID, family: 'violin' as const, asked };
const line = (at: number | null, words = '', cost: number | null = null) => ({ asked: at, words, cost });
const done = (
  lines: ReturnType<typeof line>[],
  figures: { figure: 'rest-left' | 'relief'; value: number }[] = [],
): AnswerOf<'done'> => ({
  kind: 'done',
  from: '',
  note: '',
  currency: 'EUR',
  on: '2026-05-01',
  sheets: [{ briefId: BRIEF, lines, figures }],
});

test('each thing that was asked for, done, is the entry the log has for it; what it has none for stands in words', () => {
  const lines = asked.map((_, at) => line(at, at === 6 ? 'The post had fallen' : ''));
  const entries = proposalsOf(done(lines), [sheet], VISIT).map(({ entry }) => entry);
  expect(entries).toEqual([
    { type: 'rehaired', payload: { reason: 'worn', known: true } },
    expect.objectContaining({
      type: 'strings-fitted',
      payload: expect.objectContaining({ strings: null, by: 'workshop' }),
    }),
    { type: 'checked-up', payload: { known: true } },
    { type: 'hair-looked-over', payload: { bowId: OTHER } },
    { type: 'rehaired', payload: { reason: 'worn', known: true, bowId: OTHER } },
    { type: 'finding-settled', payload: { findingId: OTHER, how: 'mended' } },
    {
      type: 'trouble-settled',
      payload: { troubleId: OTHER, cause: null, by: 'workshop', note: 'The post had fallen' },
    },
    { type: 'worked-on', payload: { by: 'workshop', words: 'A new saddle', part: null, cost: null, visitId: VISIT } },
  ]);
});

test('a cost is an entry of its own, with the part it was for; figures that cannot be are left out', () => {
  const proposed = proposalsOf(
    done(
      [line(0, '', 65), line(null, 'Glued a seam', 30)],
      [
        { figure: 'rest-left', value: 29 },
        { figure: 'rest-left', value: 999 },
        { figure: 'relief', value: 1 },
      ],
    ),
    [sheet],
    VISIT,
  );
  expect(proposed.map(({ entry }) => [entry.type, 'part' in entry.payload ? entry.payload.part : null])).toEqual([
    ['rehaired', null],
    ['worked-on', 'hair'],
    ['worked-on', null],
    ['measured', null],
  ]);
  expect(proposed[1]!.entry.payload).toMatchObject({ cost: { amount: 65, currency: 'EUR' }, words: 'Rehair' });
  expect(new Set(proposed.map(({ key }) => key)).size).toBe(proposed.length);
});

test('whatever a workshop answers, what is proposed may stand in a log, each line under its own name', () => {
  const { event } = scribe(ID);
  const lines = fc.array(
    fc.record({
      asked: fc.option(fc.integer({ min: 0, max: 99 })),
      words: fc.string({ maxLength: 200 }),
      cost: fc.option(fc.double({ min: 0, max: 1e6, noNaN: true })),
    }),
    { maxLength: 24 },
  );
  fc.assert(
    fc.property(lines, (all) => {
      const answer = answerSchema.safeParse(done(all.length > 0 ? all : [line(0)]));
      if (!answer.success || answer.data.kind !== 'done') return;
      const proposed = proposalsOf(answer.data, [sheet], VISIT);
      expect(new Set(proposed.map(({ key }) => key)).size).toBe(proposed.length);
      for (const { entry } of proposed)
        expect(logEventSchema.safeParse(event(entry.type, AT, entry.payload as never)).success).toBe(true);
    }),
    { numRuns: 100 },
  );
});

test('an answer says what it lacks', () => {
  const why = (answer: object) => answerSchema.safeParse(answer).error?.issues[0]?.message;
  expect(why({ ...done([line(0, '', 5)]), currency: null })).toBe('Choose the currency of what it cost.');
  expect(why(done([]))).toBe('Tick or write at least one thing that was done.');
  expect(why({ kind: 'estimate', from: '', note: '', low: 9, high: 8, currency: 'EUR', ready: null })).toMatch(
    /second/,
  );
  expect(why({ kind: 'question', from: '', note: '  ' })).toBe('Write the question.');
});

test('a number is dialled as RFC 3966 has it, without what only helps the eye', () => {
  // Published: RFC 3966, 3: visual separators do not count; global numbers begin with a plus sign.
  expect(dialled('+44 (1632) 960-123')).toBe('tel:+441632960123');
  expect(dialled('01632/960 123')).toBe('tel:01632960123');
  const contact = { title: 'A', role: 'teacher', emails: [], address: '', note: '' };
  const takes = (phone: string) => contactSchema.safeParse({ ...contact, phones: [phone] }).success;
  expect(['+351 21 000 0000', '(030) 12-34', '112'].map(takes)).toEqual([true, true, true]);
  expect(['', 'call me', 'javascript:alert(1)', '1'.repeat(41)].map(takes)).toEqual([false, false, false, false]);
});
