import fc from 'fast-check';
import {
  airOfStays,
  airToll,
  airVerdict,
  excursions,
  holdOf,
  pegTrouble,
  ranges,
  staysOf,
  type AirHour,
  type AirQuestion,
  type AirRecord,
} from '.';
import { FAMILIES, usualFacts } from '../instruments';
import { DAY_MS, HOUR_MS } from '../time';

const NOW = Date.UTC(2026, 10, 20, 12);
const BAND = { low: 0.4, high: 0.6 };

/** Hours up to now; `rh` by how many hours ago. */
const hours = (count: number, rh: (hoursAgo: number) => number): AirHour[] =>
  Array.from({ length: count }, (_, index) => {
    const ago = count - index;
    return { at: NOW - ago * HOUR_MS, rh: rh(ago), low: rh(ago) - 0.01, high: rh(ago) + 0.01, tempC: 20 };
  });
const record = (list: AirHour[]): AirRecord => ({ days: [], hours: list });

function judge(rh: (hoursAgo: number) => number, changes: Partial<AirQuestion> = {}, cased = false, days = 40) {
  const moves = [{ at: NOW - 400 * DAY_MS, placeId: 'room', cased }];
  const places = [{ id: 'room', kind: 'room' as const, roomId: null }];
  const stays = staysOf(moves, places, () => true, NOW);
  const air = airOfStays(stays, () => record(hours(days * 24, rh)));
  const facts = usualFacts('violin');
  return airVerdict({ facts, school: 'A', air, steady: null, ahead: [], nowMs: NOW, ...changes });
}

describe('the verdict is about the wood', () => {
  test('steady air is fine', () => {
    expect(judge(() => 0.5)).toMatchObject({ state: 'fine', why: 'inside', side: null });
  });

  test('a dry afternoon is harmless, a dry fortnight is not', () => {
    expect(judge((ago) => (ago <= 5 ? 0.25 : 0.5)).state).toBe('fine');
    const fortnight = judge((ago) => (ago <= 14 * 24 ? 0.28 : 0.5));
    expect(fortnight).toMatchObject({ state: 'act', why: 'outside', side: 'dry' });
    expect(fortnight.body!.mm).toBeLessThan(-0.8);
    expect(fortnight.effects).toEqual(expect.arrayContaining(['pegs-slip', 'low-action']));
  });

  test('in its case the same fortnight is only on its way', () => {
    const bare = judge((ago) => (ago <= 6 * 24 ? 0.36 : 0.5));
    const cased = judge((ago) => (ago <= 6 * 24 ? 0.36 : 0.5), {}, true);
    expect(bare.state).toBe('act');
    expect(cased).toMatchObject({ state: 'watch', why: 'reaching', side: 'dry' });
    expect(cased.limitAt).toBeGreaterThan(NOW);
    expect(cased.limitAt! - NOW).toBeLessThan(14 * DAY_MS);
  });

  test('wood on its way back is watched, not acted on', () => {
    const back = judge((ago) => (ago <= 40 ? 0.52 : ago <= 20 * 24 ? 0.3 : 0.5), {}, true);
    expect(back).toMatchObject({ state: 'watch', why: 'recovering', side: 'dry' });
    expect(back.backAt).toBeGreaterThan(NOW);
  });

  test('the coming week decides where it is known', () => {
    const ahead = (rh: number) =>
      Array.from({ length: 7 * 24 }, (_, at) => ({ at: NOW + at * HOUR_MS, rh, tempC: 20 }));
    expect(judge(() => 0.45, { ahead: ahead(0.45) }).state).toBe('fine');
    const cold = judge(() => 0.45, { ahead: ahead(0.2) });
    expect(cold).toMatchObject({ state: 'watch', why: 'reaching', side: 'dry', ahead: 'forecast' });
    expect(cold.limitAt! - NOW).toBeLessThan(3 * DAY_MS);
  });

  test('air just outside for days is watched while the wood still follows, on either side', () => {
    const damp = judge((ago) => (ago <= 96 ? 0.602 : 0.5), {}, true);
    expect(damp).toMatchObject({ state: 'watch', why: 'sustained', side: 'damp' });
    expect(damp.excursion).toMatchObject({ ongoing: true, kind: 'sustained' });
    expect(judge((ago) => (ago <= 96 ? 0.398 : 0.5), {}, true)).toMatchObject({ why: 'sustained', side: 'dry' });
    // For less than three days, or over again, it is nobody's business.
    expect(judge((ago) => (ago <= 60 ? 0.602 : 0.5), {}, true).state).toBe('fine');
    expect(judge((ago) => (ago <= 96 && ago > 10 ? 0.602 : 0.5), {}, true).state).toBe('fine');
  });

  test('what it goes to is the edge that comes first', () => {
    const dry = judge((ago) => (ago <= 48 ? 0.37 : 0.5));
    expect(dry).toMatchObject({ why: 'reaching', side: 'dry' });
    expect(dry.limitAt!).toBeGreaterThan(NOW);
    expect(judge((ago) => (ago <= 48 ? 0.64 : 0.5))).toMatchObject({ why: 'reaching', side: 'damp' });
  });

  test('school C holds what it is used to', () => {
    expect(judge(() => 0.68, { school: 'C' }).state).toBe('fine');
    const steady = { level: 0.45, low: 0.35, high: 0.55, basis: 'record' as const };
    expect(judge(() => 0.68, { school: 'C', steady })).toMatchObject({ state: 'act', side: 'damp' });
    expect(judge(() => 0.68).state).toBe('act');
  });

  test('nobody looked, nowhere to look, looked too long ago', () => {
    const facts = usualFacts('violin');
    const question = { facts, school: 'A' as const, steady: null, ahead: [], nowMs: NOW };
    expect(airVerdict({ ...question, air: [] })).toMatchObject({ state: 'unknown', why: 'no-place' });
    const stays = staysOf(
      [{ at: 0, placeId: 'room', cased: false }],
      [{ id: 'room', kind: 'room', roomId: null }],
      () => false,
      NOW,
    );
    expect(airVerdict({ ...question, air: airOfStays(stays, () => undefined) })).toMatchObject({ why: 'no-readings' });
    const old = record(hours(24 * 20, () => 0.5).filter(({ at }) => at < NOW - 4 * DAY_MS));
    const measured = staysOf(
      [{ at: 0, placeId: 'room', cased: false }],
      [{ id: 'room', kind: 'room', roomId: null }],
      () => true,
      NOW,
    );
    expect(airVerdict({ ...question, air: airOfStays(measured, () => old) })).toMatchObject({ why: 'stale' });
  });

  test('for every family and school, drier air is never better for dry wood', () => {
    const rank = { fine: 0, watch: 1, act: 2, unknown: -1 };
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILIES),
        fc.double({ min: 0.2, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 0.15, noNaN: true }),
        (family, rh, drier) => {
          const facts = usualFacts(family);
          const [one, other] = [judge(() => rh, { facts }), judge(() => rh - drier, { facts })];
          expect(rank[other.state]).toBeGreaterThanOrEqual(rank[one.state]);
          expect(other.body!.moisture).toBeLessThanOrEqual(one.body!.moisture);
        },
      ),
      { numRuns: 60 },
    );
  });
});

test('an instrument takes its history along when it moves', () => {
  const places = [
    { id: 'dry', kind: 'room' as const, roomId: null },
    { id: 'good', kind: 'room' as const, roomId: null },
    { id: 'case', kind: 'case' as const, roomId: 'good' },
  ];
  const records: Record<string, AirRecord> = {
    dry: record(hours(60 * 24, () => 0.25)),
    good: record(hours(60 * 24, () => 0.5)),
  };
  const moves = [
    { at: NOW - 60 * DAY_MS, placeId: 'dry', cased: false },
    { at: NOW - DAY_MS, placeId: 'case', cased: true },
  ];
  const stays = staysOf(moves, places, (id) => id !== 'case', NOW);
  expect(stays.map(({ airOf, cased }) => [airOf, cased])).toEqual([
    ['dry', false],
    ['good', true],
  ]);
  const air = airOfStays(stays, (id) => records[id]);
  const verdict = airVerdict({ facts: usualFacts('violin'), school: 'A', air, steady: null, ahead: [], nowMs: NOW });
  expect(verdict.state).not.toBe('fine');
  expect(verdict.body!.restRh).toBeLessThan(0.3);
  // A place that was removed since is no place.
  expect(staysOf(moves, places.slice(0, 1), () => true, NOW)[1]).toMatchObject({ placeId: null, airOf: null });
  // A case with a hygrometer of its own holds the wood's own air.
  expect(staysOf(moves, places, () => true, NOW)[1]).toMatchObject({ airOf: 'case', cased: false });
});

describe('excursions', () => {
  const found = (rh: (ago: number) => number) => excursions(hours(30 * 24, rh), BAND, DAY_MS);

  test('brief, sustained and worsening are told apart', () => {
    expect(found((ago) => (ago > 50 && ago <= 60 ? 0.3 : 0.5))).toMatchObject([
      { kind: 'brief', side: 'dry', ongoing: false, worst: 0.3 },
    ]);
    expect(found((ago) => (ago <= 100 ? 0.65 : 0.5))).toMatchObject([
      { kind: 'sustained', side: 'damp', ongoing: true },
    ]);
    expect(found((ago) => (ago <= 200 ? 0.39 - (200 - ago) / 2000 : 0.5))).toMatchObject([{ kind: 'worsening' }]);
    expect(found(() => 0.5)).toEqual([]);
  });

  test('an hour inside does not end one', () => {
    expect(found((ago) => (ago <= 100 && ago !== 50 ? 0.35 : 0.5))).toHaveLength(1);
  });
});

test('ranges of a month that is known', () => {
  const month = ranges(record(hours(30 * 24, (ago) => (ago % 24 < 12 ? 0.45 : 0.55))), BAND, NOW)!;
  // One of the 31 calendar days it touches has a single hour.
  expect(month.daily).toBeGreaterThan(0.115);
  expect(month.monthly).toBeCloseTo(0.12, 6);
  expect(month.within24h).toBeCloseTo(0.12, 6);
  expect(month.inBand).toBe(1);
  expect(ranges(record([]), BAND, NOW)).toBeNull();
});

test('a look once a day is believed longer than a sensor that fell silent', () => {
  expect(holdOf(record(hours(100, () => 0.5)))).toBe(1.5 * DAY_MS);
  const daily = hours(100 * 24, () => 0.5).filter((_, at) => at % 24 === 0);
  expect(holdOf(record(daily))).toBe(4 * DAY_MS);
});

describe('what air costs', () => {
  test('damp days count for more, bounded, and the unknown ones as usual', () => {
    const since = NOW - 20 * DAY_MS;
    expect(
      airToll(
        hours(20 * 24, () => 0.7),
        since,
        NOW,
      ),
    ).toMatchObject({ damp: 1, dry: 0, strings: 1.5, hair: 1.25 });
    expect(
      airToll(
        hours(20 * 24, () => 0.5),
        since,
        NOW,
      ),
    ).toMatchObject({ strings: 1, hair: 1 });
    expect(
      airToll(
        hours(20 * 24, () => 0.7),
        NOW - 200 * DAY_MS,
        NOW,
      )!.strings,
    ).toBeLessThan(1.06);
    expect(
      airToll(
        hours(48, () => 0.7),
        since,
        NOW,
      ),
    ).toBeNull();
  });

  test('pegs slip as the air dries and stick as it dampens', () => {
    // common practice: pegs follow the seasons.
    const pegs = (rh: (ago: number) => number) => pegTrouble(hours(40 * 24, rh), DAY_MS, NOW);
    expect(pegs((ago) => (ago < 10 * 24 ? 0.38 : 0.52))).toMatchObject({ kind: 'slip' });
    expect(pegs((ago) => (ago < 10 * 24 ? 0.62 : 0.48))).toMatchObject({ kind: 'stick' });
    expect(pegs(() => 0.5)).toBeNull();
  });
});
