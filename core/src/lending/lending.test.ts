import fc from 'fast-check';
import { assessInstrument, type Assessment, type OwnInstrument } from '../assess';
import { FAMILIES, usualFacts, type Family } from '../instruments';
import { foldLog, type LogEvent } from '../log';
import type { Person } from '../people';
import { scribe } from '../testing/events';
import { seen } from '../testing/looks';
import { DAY_MS, HOUR_MS, localDay } from '../time';
import {
  BULK_DONE,
  BULK_PARTS,
  cupboardRows,
  dayWork,
  foundIn,
  isOut,
  loanDifferences,
  loanNow,
  loanSchema,
  missingOf,
  outgrowing,
  overdueDays,
  type CupboardWish,
  type Loan,
} from '.';

const NOW = Date.parse('2026-11-27T12:00:00Z');
const ZONE = 'Europe/Lisbon';
const TODAY = localDay(NOW, ZONE);
const HERON = '11111111-1111-4111-8111-111111111111';
const WREN = '22222222-2222-4222-8222-222222222222';
const KNOT = '33333333-3333-4333-8333-333333333333';
const at = (date: string) => Date.parse(`${date}T12:00:00Z`);

const loan = (more: Partial<Loan> = {}): Loan => ({
  instrumentId: HERON,
  personId: null,
  to: 'Oskar',
  reached: null,
  from: '2026-09-01',
  until: '2026-11-20',
  along: [
    { title: 'Bow', back: null },
    { title: 'Case', back: null },
  ],
  strings: 'lender',
  note: null,
  back: null,
  ...more,
});

describe('a loan', () => {
  test('is out from its day until it is back; over once its day is past [handbook 13]', () => {
    expect(isOut(loan(), TODAY)).toBe(true);
    expect(isOut(loan({ from: '2026-12-01', until: null }), TODAY)).toBe(false);
    expect(isOut(loan({ back: '2026-11-01' }), TODAY)).toBe(false);
    expect(overdueDays(loan(), TODAY)).toBe(7);
    expect(overdueDays(loan({ until: '2026-11-27' }), TODAY)).toBe(0);
    expect(overdueDays(loan({ until: null }), TODAY)).toBe(0);
    expect(overdueDays(loan({ back: '2026-11-26' }), TODAY)).toBe(0);
    expect(loanNow([loan({ back: '2026-10-01' }), loan()], HERON, TODAY)).toEqual(loan());
    expect(loanNow([loan()], WREN, TODAY)).toBeNull();
  });

  test('knows what did not come back with it', () => {
    const along = [
      { title: 'Bow', back: true },
      { title: 'Case', back: false },
    ];
    expect(missingOf(loan({ along, back: '2026-11-26' }))).toEqual(['Case']);
    expect(missingOf(loan({ along }))).toEqual([]);
  });

  test.each([
    [{ until: '2026-08-01' }, /before it goes out/],
    [{ back: '2026-08-01' }, /before it went out/],
    [{ to: ' ' }, /to whom/],
    [{ along: Array.from({ length: 21 }, () => ({ title: 'Rest', back: null })) }, /At most 20/],
    [{ from: 'soon' }, /year-month-day/],
  ])('that cannot be is refused: %j', (more, said) => {
    const result = loanSchema.safeParse({ ...loan(), ...more });
    expect(result.error?.issues[0]?.message).toMatch(said);
  });
});

describe('how it went out and came back', () => {
  const { event } = scribe(HERON);
  const facts = { family: 'violin', stringCount: 4 } as const;
  const photo = (day: string, n: number) =>
    event('photographed', at(day), {
      photo: String(n).padStart(64, '0'),
      look: null,
      zone: null,
      findingId: null,
      view: 'front',
    });
  const seam = event('looked-at', at('2026-08-30'), seen('seams', 'watch'));
  const pegs = event('looked-at', at('2026-08-30'), seen('pegs', 'act'));
  const events: LogEvent[] = [
    seam,
    pegs,
    photo('2026-08-31', 1),
    event('measured', at('2026-08-31'), { figure: 'bridge-offset', value: 0.2 }),
    event('measured', at('2026-11-22'), { figure: 'bridge-offset', value: 1.4 }),
    // While it was out.
    event('looked-at', at('2026-11-22'), seen('seams', 'act')),
    event('looked-at', at('2026-11-22'), seen('pegs', 'good')),
    event('looked-at', at('2026-11-22'), seen('outside', 'watch')),
    photo('2026-11-23', 2),
    // Long after.
    event('looked-at', at('2027-03-01'), seen('bridge-lean', 'act')),
  ];
  const log = foldLog(events, at('2027-04-01'), ZONE);
  const differences = (one: Loan) => loanDifferences(one, log, facts, at('2027-04-01'), ZONE);

  test('is told side by side: what was added, what is gone, what is the same, each with its photographs', () => {
    const { out, back, added, gone, same, figures } = differences(loan({ back: '2026-11-22' }));
    expect(out.found.map(({ look, verdict }) => [look, verdict]).sort()).toEqual([
      ['pegs', 'act'],
      ['seams', 'watch'],
    ]);
    expect(back!.found.map(({ look }) => look).sort()).toEqual(['outside', 'seams']);
    // Worse than it was is a difference too.
    expect(added.map(({ look }) => look).sort()).toEqual(['outside', 'seams']);
    expect(gone.map(({ look }) => look)).toEqual(['pegs']);
    expect(same).toEqual([]);
    expect(figures).toEqual([{ figure: 'bridge-offset', before: 0.2, after: 1.4 }]);
    const front = (state: typeof out) => state.views.find(({ view }) => view === 'front')!.seen!.photo;
    expect([front(out), front(back!)].map(Number)).toEqual([1, 2]);
  });

  test('while it is out only how it went is known', () => {
    const { back, added, out } = differences(loan());
    expect([back, added]).toEqual([null, []]);
    expect(out.found).toHaveLength(2);
  });

  test('whatever is found at both, each finding of the way back is either added or the same', () => {
    const looks = ['seams', 'pegs', 'bridge-lean', 'outside'] as const;
    const moment = fc.integer({ min: 0, max: 200 });
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ look: fc.constantFrom(...looks), verdict: fc.constantFrom('good', 'watch', 'act'), day: moment }),
          {
            maxLength: 12,
          },
        ),
        (found) => {
          const { event: make } = scribe(HERON);
          const list = found.map(({ look, verdict, day }) =>
            make('looked-at', at('2026-07-01') + day * DAY_MS, seen(look, verdict as 'good')),
          );
          const folded = foldLog(list, at('2027-04-01'), ZONE);
          const { back, added, same, gone, out } = loanDifferences(
            loan({ back: '2026-11-01' }),
            folded,
            facts,
            at('2027-04-01'),
            ZONE,
          );
          expect(added.length + same.length).toBe(back!.found.length);
          expect(gone.length).toBeLessThanOrEqual(out.found.length);
        },
      ),
    );
  });
});

describe('a cupboard', () => {
  type Named = OwnInstrument & { name: string };
  const instrument = (id: string, name: string, family: Family, size: string | null): Named => ({
    ...usualFacts(family),
    size,
    id,
    name,
    addedAt: new Date(NOW - 300 * DAY_MS).toISOString(),
  });
  const judged = (one: Named, events: LogEvent[] = []): Assessment<Named> =>
    assessInstrument(one, {
      timeZone: ZONE,
      schools: {},
      occasions: [],
      bows: [],
      places: new Map(),
      nowMs: NOW,
      instruments: [one],
      eventsOf: () => events,
    });
  const arm = (id: string, ...mm: [daysAgo: number, value: number][]) => {
    const { event } = scribe(id);
    return mm.map(([days, value]) => event('measured', NOW - days * DAY_MS, { figure: 'arm-length', value }));
  };
  const heron = instrument(HERON, 'Heron', 'violin', '1/2');
  const wren = instrument(WREN, 'Wrén', 'violin', '3/4');
  const knot = instrument(KNOT, 'Knot', 'cello', '1/2');
  // Half-size is played from 510, three-quarter from 560 mm.
  const assessments = [judged(heron, arm(HERON, [200, 540], [2, 565])), judged(wren), judged(knot)];
  const people: Person[] = [{ id: 'pip', name: 'Pip', role: 'player', plays: [KNOT], looksAfter: [] }];
  const rows = cupboardRows(assessments, [loan()], people);
  const wish = (more: Partial<CupboardWish>): CupboardWish => ({
    words: '',
    family: null,
    size: null,
    where: null,
    asks: false,
    placeId: null,
    ...more,
  });
  const names = (more: Partial<CupboardWish>) =>
    foundIn(rows, wish(more), ({ family }) => family).map(({ name }) => name);

  test('says of each where it is', () => {
    expect(rows.map(({ holder }) => holder)).toEqual([
      { at: 'lent', to: 'Oskar', personId: null, until: '2026-11-20', overdueDays: 7 },
      { at: 'in' },
      { at: 'played', to: 'Pip', personId: 'pip' },
    ]);
  });

  test('is searched by words, family, size and where it is', () => {
    expect(names({})).toEqual(['Heron', 'Wrén', 'Knot']);
    expect(names({ words: 'wren' })).toEqual(['Wrén']);
    expect(names({ words: 'oskar violin' })).toEqual(['Heron']);
    expect(names({ words: 'cello oskar' })).toEqual([]);
    expect(names({ size: '1/2' })).toEqual(['Heron', 'Knot']);
    expect(names({ family: 'violin', where: 'free' })).toEqual(['Wrén']);
    expect(names({ where: 'out' })).toEqual(['Heron', 'Knot']);
    expect(names({ where: 'overdue' })).toEqual(['Heron']);
  });

  test('whatever is looked for, what is found is of the cupboard, in its order, and fits', () => {
    fc.assert(
      fc.property(
        fc.record<CupboardWish>({
          words: fc.constantFrom('', 'e', 'heron', 'o k'),
          family: fc.option(fc.constantFrom(...FAMILIES)),
          size: fc.option(fc.constantFrom('1/2', '3/4')),
          where: fc.option(fc.constantFrom('free', 'out', 'overdue', 'workshop')),
          asks: fc.boolean(),
          placeId: fc.constant(null),
        }),
        (wanted) => {
          const found = foundIn(rows, wanted, () => '');
          expect(rows.filter((row) => found.includes(row))).toEqual(found);
          if (wanted.family) expect(found.every(({ family }) => family === wanted.family)).toBe(true);
          if (wanted.size) expect(found.every(({ size }) => size === wanted.size)).toBe(true);
        },
      ),
    );
  });

  test('tells who outgrows theirs, and what is free in the size after it [handbook 10]', () => {
    const [first, ...rest] = outgrowing(assessments, rows);
    expect(rest).toEqual([]);
    expect(first).toMatchObject({ row: { name: 'Heron' }, size: '3/4', next: { outgrown: true } });
    expect(first!.free.map(({ name }) => name)).toEqual(['Wrén']);
    const small = [judged(heron, arm(HERON, [200, 505], [2, 512])), ...assessments.slice(1)];
    expect(outgrowing(small, cupboardRows(small, [loan()], people))).toEqual([]);
    // What stands in the cupboard is outgrown by nobody.
    expect(outgrowing(assessments, cupboardRows(assessments, [], people))).toEqual([]);
  });

  test('an arm is a person’s, whatever they played when it was measured', () => {
    const robin: Person = { id: 'robin', name: 'Robin', role: 'player', plays: [WREN], looksAfter: [] };
    const own = judged({ ...wren, size: '1/2' });
    // Measured at another violin, by name; and somebody else's there, who has it now.
    const at = (days: number, value: number, who: string) => ({
      ...scribe(HERON).event('measured', NOW - days * DAY_MS, { figure: 'arm-length', value }),
      id: `00000000-0000-4000-8000-0000000000${days + 10}`,
      by: who,
    });
    const elsewhere = judged(heron, [at(80, 540, 'robin'), at(2, 566, 'robin'), at(1, 480, 'another')]);
    const free = judged({ ...knot, id: KNOT, family: 'violin', size: '3/4' });
    const three = [elsewhere, own, free];
    const held = cupboardRows(three, [], [robin]);
    const [first, ...rest] = outgrowing(three, held);
    expect(rest).toEqual([]);
    expect(first).toMatchObject({ row: { id: WREN }, size: '3/4', next: { armMm: 566 } });
  });

  test('the day’s work is of what is here, by doer', () => {
    const due = {
      bowId: null,
      from: 0,
      window: { early: 0, middle: 0, late: 0 },
      state: 'now',
      settles: 0,
      keepsClear: 0,
    };
    const item = (instrumentId: string, part: string, who: string, day = TODAY) =>
      ({ ...due, instrumentId, part, who, day }) as never;
    const items = [
      item(HERON, 'strings', 'self'),
      item(WREN, 'strings', 'self'),
      item(WREN, 'checkup', 'workshop'),
      item(KNOT, 'strings', 'self'),
      item(KNOT, 'hair-look', 'self', TODAY + 30),
    ];
    const groups = dayWork(items, rows, TODAY);
    expect(groups.map(({ who, work }) => [who, work.map(({ row }) => row.name)])).toEqual([
      ['self', ['Knot', 'Wrén']],
      ['workshop', ['Wrén']],
    ]);
  });
});

test('what is put on record for many is an entry the log takes', () => {
  const { event } = scribe(HERON);
  const events = BULK_PARTS.map((part) => {
    const { type, payload } = BULK_DONE[part];
    return event(type, NOW - HOUR_MS, payload as never);
  });
  const log = foldLog(events, NOW, ZONE);
  expect([log.checkups, log.hairLooks, log.stringLooks].map(({ length }) => length)).toEqual([1, 1, 1]);
});
