import { assessInstrument, type OwnInstrument } from '../assess';
import { usualFacts, type Family } from '../instruments';
import type { Loan } from '../lending';
import type { LogEvent } from '../log';
import type { Person } from '../people';
import { scribe } from '../testing/events';
import { dateOfDay, DAY_MS, HOUR_MS, localDay } from '../time';
import type { Occasion } from '../year';
import { concernsFor, concernsOf, decide, nextConcernMs, sentBy, stillTold, USUAL_TIMES, type KnownConcern } from '.';

const NOW = Date.parse('2026-12-02T08:30:00Z');
const ZONE = 'Europe/Lisbon';
const TODAY = localDay(NOW, ZONE);
const HERON = '11111111-1111-4111-8111-111111111111';
const ROOM = '99999999-9999-4999-8999-999999999999';
const { event, session } = scribe(HERON);
const ago = (days: number) => NOW - days * DAY_MS;

/** Forty days of hours in a room, at one humidity and then at another. */
function room(before: number, now: number, sinceDays: number) {
  const hours = Array.from({ length: 40 * 24 }, (_, hour) => {
    const at = NOW - (40 * 24 - hour) * HOUR_MS;
    const rh = at < ago(sinceDays) ? before : now;
    return { at, rh, low: rh, high: rh, tempC: 20 };
  });
  const place = { id: ROOM, kind: 'room', roomId: null, heating: null } as const;
  const air = { place, record: { days: [], hours }, steady: null, latest: hours.at(-1)!, habit: null, ahead: [] };
  return new Map([[ROOM, air]]);
}
const livesThere = event('moved', ago(200), { placeId: ROOM, cased: false });

interface Situation {
  family?: Family;
  events?: LogEvent[];
  places?: ReturnType<typeof room>;
  occasions?: Occasion[];
  loans?: (Loan & { id: string })[];
  nowMs?: number;
}
function concernsIn({ family = 'violin', events = [], places, occasions = [], loans = [], nowMs = NOW }: Situation) {
  const usual = usualFacts(family);
  const setUp = { ...usual.setUp, humidifier: true };
  const heron: OwnInstrument = { ...usual, setUp, id: HERON, addedAt: new Date(ago(300)).toISOString() };
  const question = { timeZone: ZONE, schools: {}, occasions, bows: [], nowMs, places: places ?? new Map() };
  const assessment = assessInstrument(heron, { ...question, instruments: [heron], eventsOf: () => events });
  return concernsOf({ assessments: [assessment], appointments: [], occasions, loans, nowMs, timeZone: ZONE });
}
const kindsIn = (situation: Situation) => concernsIn(situation).map(({ kind }) => kind);

describe('the wood', () => {
  test('in its band is not told of; out of it, with how far', () => {
    expect(kindsIn({ events: [livesThere], places: room(0.5, 0.5, 10) })).toEqual([]);
    const [air] = concernsIn({ events: [livesThere], places: room(0.5, 0.15, 30) });
    expect(air).toMatchObject({ kind: 'air', about: HERON, facts: { side: 'dry', limitAt: null } });
    const { restRh, low } = (air as Extract<KnownConcern, { kind: 'air' }>).facts;
    expect(air!.worse).toBeCloseTo((low - restRh) * 100, 6);
    expect(air!.worse).toBeGreaterThan(3);
  });

  test('on its way out is told of the day before it is, not a week before', () => {
    const places = room(0.5, 0.37, 20);
    const told = Array.from({ length: 20 * 6 }, (_, step) => ago(20) + step * 4 * HOUR_MS).map((nowMs) => {
      const known = new Map(
        [...places].map(([id, air]) => {
          const hours = air.record.hours.filter(({ at }) => at <= nowMs);
          return [id, { ...air, record: { days: [], hours } }];
        }),
      );
      return concernsIn({ events: [livesThere], places: known as typeof places, nowMs }).find(
        ({ kind }) => kind === 'air',
      );
    });
    const first = told.findIndex((each) => each !== undefined);
    const out = told.findIndex((each) => each !== undefined && each.worse > 0);
    expect(told[first]!.worse).toBe(0);
    const ahead = (out - first) * 4;
    expect(ahead).toBeGreaterThanOrEqual(8);
    expect(ahead).toBeLessThanOrEqual(40);
  });

  test('at the workshop is nobody’s here', () => {
    const gone = event('brought-in', ago(1), { visitId: null, expected: null });
    expect(kindsIn({ events: [livesThere, gone], places: room(0.5, 0.15, 30) })).not.toContain('air');
  });
});

describe('a bow left tight', () => {
  const played = session(NOW - 14 * HOUR_MS, 1);
  test('overnight is told of, with its nights [handbook 13]', () => {
    const [tight] = concernsIn({ events: played });
    expect(tight).toMatchObject({ kind: 'tight', worse: 1, facts: { bowId: null, since: NOW - 13 * HOUR_MS } });
  });
  test('slackened, in use, or just put down is not', () => {
    const slack = event('step-done', NOW - 12 * HOUR_MS, { step: 'slacken', sessionId: null });
    expect(kindsIn({ events: [...played, slack] })).not.toContain('tight');
    expect(kindsIn({ events: session(NOW - 2 * HOUR_MS, 1) })).not.toContain('tight');
    expect(kindsIn({ family: 'guitar', events: played })).not.toContain('tight');
  });
});

describe('a humidifier', () => {
  const weighed = (kind: 'empty' | 'before' | 'filled', days: number, grams: number) =>
    event('humidifier-weighed', ago(days), { kind, grams });
  // 5 g a day out of 25 g: dry five days after it was filled.
  const filled = (days: number) => [
    weighed('empty', 40, 10),
    weighed('filled', 30, 35),
    weighed('before', 26, 15),
    weighed('filled', days, 35),
  ];
  test.each([
    [2, false],
    [4.2, true],
    [6, true],
    [9, false],
  ])('filled %d days ago, dry after five: told %s', (days, told) => {
    expect(kindsIn({ family: 'guitar', events: filled(days) }).includes('dry')).toBe(told);
  });
  test('seen to since is not told of', () => {
    const seen = event('step-done', ago(0.1), { step: 'humidifier', sessionId: null });
    expect(kindsIn({ family: 'guitar', events: [...filled(4.5), seen] })).not.toContain('dry');
  });
});

describe('the year', () => {
  const strung = (days: number) => event('strings-fitted', ago(days), { strings: null, reason: 'worn', known: true });
  const concert = (days: number): Occasion => ({
    title: 'Quay concert',
    kind: 'performance',
    instrumentId: null,
    spans: [{ from: dateOfDay(TODAY + days), to: dateOfDay(TODAY + days) }],
    source: null,
  });
  test('strings that are spent stay until after a concert that is near, and are not told of beside that [handbook 13]', () => {
    const found = concernsIn({ events: [strung(900)], occasions: [concert(5)] });
    const strings = found.filter(({ kind }) => kind === 'strings');
    expect(strings).toMatchObject([{ facts: { side: 'after', occasion: 'Quay concert', from: TODAY + 5 } }]);
    expect(strings[0]!.untilMs).toBeLessThanOrEqual(NOW + 5 * DAY_MS);
    expect(found.filter(({ kind, about }) => kind === 'due' && about === strings[0]!.about)).toEqual([]);
  });

  test('without a concert they are simply due; new ones are not', () => {
    expect(kindsIn({ events: [strung(900)] })).toContain('due');
    expect(kindsIn({ events: [strung(2)] })).toEqual([]);
  });

  test('several things for the workshop are one visit, and not each told of beside it', () => {
    const worn = [
      event('rehaired', ago(1200), { reason: 'worn', known: true }),
      event('checked-up', ago(1200), { known: true }),
      ...Array.from({ length: 200 }, (_, day) => session(ago(201 - day), 2)).flat(),
    ];
    const found = concernsIn({ events: worn });
    const [visit] = found.filter(({ kind }) => kind === 'visit');
    expect(visit).toMatchObject({ worse: 2, facts: { day: TODAY } });
    expect(found.filter((each) => each.kind === 'due' && each.facts.who === 'workshop')).toEqual([]);
    // The same the day after, though its day moved on.
    const [later] = concernsIn({ events: worn, nowMs: NOW + DAY_MS }).filter(({ kind }) => kind === 'visit');
    expect(later!.about).toBe(visit!.about);
  });
});

describe('a loan', () => {
  const loan = (until: number | null, back: number | null = null): Loan & { id: string } => ({
    id: 'a-loan',
    instrumentId: HERON,
    personId: null,
    to: 'Oskar',
    reached: null,
    from: dateOfDay(TODAY - 60),
    until: until === null ? null : dateOfDay(TODAY - until),
    along: [],
    strings: 'lender',
    note: null,
    back: back === null ? null : dateOfDay(TODAY - back),
  });
  test.each([
    ['not due yet', loan(0), []],
    ['without an end', loan(null), []],
    ['back', loan(10, 1), []],
    ['ten days over', loan(10), [10 / 7]],
  ])('%s, is told by its weeks', (_name, one, worse) => {
    expect(concernsIn({ loans: [one] }).flatMap((each) => (each.kind === 'overdue' ? [each.worse] : []))).toEqual(
      worse,
    );
  });
});

test('what is with somebody outside is in air nobody here knows; with one of the household it is as before', () => {
  const dry = { events: [livesThere], places: room(0.5, 0.15, 30) };
  const lent = (personId: string | null, back: string | null = null) => ({
    ...{ id: 'l', instrumentId: HERON, to: 'Oskar', reached: null, from: dateOfDay(TODAY - 9), until: null, along: [] },
    ...{ personId, strings: 'lender' as const, note: null, back },
  });
  expect(kindsIn({ ...dry, loans: [lent(null)] })).not.toContain('air');
  expect(kindsIn({ ...dry, loans: [lent('pip')] })).toContain('air');
  expect(kindsIn({ ...dry, loans: [lent(null, dateOfDay(TODAY - 1))] })).toContain('air');
});

test.each([
  ['eight days ahead', 8, []],
  ['a week ahead', 7, [[0, false]]],
  ['on its day', 0, [[0, false]]],
  ['a week over', -7, [[1, true]]],
])('whoever of the household has it on loan is told that it ends: %s', (_name, ahead, told) => {
  const lent = (personId: string | null) => ({
    ...{ id: 'l', instrumentId: HERON, to: 'Pip', reached: null, from: dateOfDay(TODAY - 60), along: [] },
    ...{ personId, until: dateOfDay(TODAY + ahead), strings: 'lender' as const, note: null, back: null },
  });
  const of = (personId: string | null) =>
    concernsIn({ loans: [lent(personId)] }).flatMap((each) =>
      each.kind === 'ending' ? [[each.worse, each.facts.over]] : [],
    );
  expect(of('pip')).toEqual(told);
  // Somebody outside has no Tembrin to be told in.
  expect(of(null)).toEqual([]);
});

describe('whom it is for [handbook 13]', () => {
  const person = (id: string, role: Person['role'], plays: string[] = [], looksAfter: string[] = []): Person => ({
    id,
    name: id,
    role,
    plays,
    looksAfter,
  });
  const parent = person('parent', 'keeper');
  const child = person('child', 'player', [HERON]);
  const teacher = person('teacher', 'helper', [], [HERON]);
  const stranger = person('stranger', 'player', ['another']);
  const tight = concernsIn({ events: session(NOW - 14 * HOUR_MS, 1) });
  const overdue = concernsIn({
    loans: [
      {
        id: 'l',
        instrumentId: HERON,
        personId: null,
        to: 'Oskar',
        reached: null,
        from: '2026-01-01',
        until: '2026-02-01',
        along: [],
        strings: 'lender',
        note: null,
        back: null,
      },
    ],
  });

  test('a child’s bow is told to who looks after it, and to the parent where nobody else hears of it', () => {
    expect(concernsFor(parent, tight, [parent])).toEqual(tight);
    expect(concernsFor(parent, tight, [parent, teacher])).toEqual([]);
    expect(concernsFor(teacher, tight, [parent, teacher])).toEqual(tight);
    expect(concernsFor(child, tight, [parent, child, teacher])).toEqual(tight);
    expect(concernsFor(stranger, tight, [parent, child, stranger])).toEqual([]);
  });

  test('what is out is the keepers’ business', () => {
    expect(concernsFor(child, overdue, [parent, child])).toEqual([]);
    expect(concernsFor(parent, overdue, [parent, child])).toEqual(overdue);
    const ending = [
      { ...overdue[0]!, kind: 'ending', facts: { loanId: 'l', personId: child.id, until: TODAY, over: false } },
    ] as unknown as KnownConcern[];
    expect(concernsFor(child, ending, [parent, child])).toEqual(ending);
    expect(concernsFor(parent, ending, [parent, child])).toEqual([]);
  });

  test('nobody is told of an instrument that is none of theirs', () => {
    for (const all of [tight, overdue]) expect(concernsFor(stranger, all, [stranger, parent])).toEqual([]);
  });
});

describe('what was told', () => {
  const told = (at: number) =>
    sentBy({ alert: concernsIn({ events: session(NOW - 14 * HOUR_MS, 1) }), digest: [] }, at);
  const again = concernsIn({ events: session(NOW - 14 * HOUR_MS, 1) });
  test('is forgotten once it is over for long enough, and news when it comes again', () => {
    const sent = told(NOW);
    expect(stillTold(sent, again, NOW + DAY_MS)).toEqual([{ ...sent[0]!, soAtMs: NOW + DAY_MS }]);
    expect(stillTold(sent, [], NOW + DAY_MS)).toEqual(sent);
    expect(stillTold(sent, [], NOW + 2.1 * DAY_MS)).toEqual([]);
  });
  test('is not news while it goes on, however long', () => {
    let sent = told(NOW);
    for (let day = 1; day < 60; day++) {
      sent = stillTold(sent, again, NOW + day * DAY_MS);
      expect(decide(again, { ...USUAL_TIMES, timeZone: ZONE }, sent, NOW + day * DAY_MS).alert).toEqual([]);
    }
  });
});

test('a bow just put down is looked at again once it may have been left', () => {
  const put = NOW - HOUR_MS;
  const heron: OwnInstrument = { ...usualFacts('violin'), id: HERON, addedAt: new Date(ago(300)).toISOString() };
  const events = session(put - HOUR_MS, 1);
  const question = { timeZone: ZONE, schools: {}, occasions: [], bows: [], places: new Map(), nowMs: NOW };
  const assessments = [assessInstrument(heron, { ...question, instruments: [heron], eventsOf: () => events })];
  expect(nextConcernMs({ assessments, nowMs: NOW })).toBe(put + 3 * HOUR_MS);
  expect(nextConcernMs({ assessments: [], nowMs: NOW })).toBeNull();
});
