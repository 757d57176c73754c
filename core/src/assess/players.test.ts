import fc from 'fast-check';
import { usualFacts, type Family } from '../instruments';
import { foldLog, lastMeasure, type LogEvent } from '../log';
import { agreedSchools, disputedSchools } from '../people';
import { threadOf } from '../parts';
import { scribe } from '../testing/events';
import { DAY_MS, HOUR_MS } from '../time';
import { MOST_MOVED, paceElsewhere } from '../wear';
import {
  assessHousehold,
  assessInstrument,
  handsOn,
  learnedFrom,
  partOfPace,
  playShares,
  seenBy,
  type HouseholdQuestion,
  type OwnInstrument,
  type Player,
} from '.';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ago = (days: number) => NOW - days * DAY_MS;
const instrument = (id: string, family: Family = 'violin'): OwnInstrument => ({
  ...usualFacts(family),
  id,
  addedAt: new Date(ago(200)).toISOString(),
});
const { event, session } = scribe();
const by = (who: string, events: readonly LogEvent[]) => events.map((each) => ({ ...each, by: who }));
/** Played each day for so many days, so long, by somebody. */
const played = (who: string, days: number, hours: number) =>
  by(who, Array.from({ length: days }, (_, day) => session(ago(days - day) - 2 * HOUR_MS, hours)).flat());
const ana: Player = { id: 'ana', plays: ['heron'] };
const rui: Player = { id: 'rui', plays: ['heron', 'wren'] };
const question = (people: readonly Player[], events: Readonly<Record<string, readonly LogEvent[]>>) =>
  ({
    timeZone: 'Europe/Lisbon',
    schools: { air: 'B', cloths: 'B' },
    instruments: [instrument('heron'), instrument('wren', 'viola')],
    eventsOf: (id) => events[id] ?? [],
    places: new Map(),
    appointments: [],
    occasions: [],
    bows: [],
    people,
    nowMs: NOW,
  }) as const satisfies HouseholdQuestion<OwnInstrument>;
const judged = (people: readonly Player[], events: Readonly<Record<string, readonly LogEvent[]>>, at = 0) =>
  assessHousehold(question(people, events)).assessments[at]!;

describe('schools', () => {
  test('who plays it comes before the household, and the instrument before both', () => {
    const sides = (people: readonly Player[], own = {}) => {
      const asked = question(people, {});
      return assessInstrument({ ...asked.instruments[0]!, schools: own }, asked).schools;
    };
    const mine = { ...ana, schools: { cloths: 'A', slack: 'B' } } as const;
    expect(sides([])).toMatchObject({ air: 'B', cloths: 'B', slack: 'A' });
    expect(sides([mine])).toMatchObject({ air: 'B', cloths: 'A', slack: 'B' });
    expect(sides([mine], { slack: 'A' })).toMatchObject({ cloths: 'A', slack: 'A' });
    // Who does not play it has no say.
    expect(sides([{ ...mine, plays: ['wren'] }])).toMatchObject({ cloths: 'B' });
  });

  test('where they differ the household’s holds, and it is told', () => {
    const people = [{ schools: { cloths: 'A', air: 'C' } }, { schools: { cloths: 'B' } }, {}] as const;
    expect(agreedSchools(people)).toEqual({ air: 'C' });
    expect(disputedSchools(people)).toEqual(['cloths']);
    expect(agreedSchools([])).toEqual({});
  });
});

describe('whose playing it is', () => {
  const log = (events: readonly LogEvent[]) => foldLog(events, NOW, 'Europe/Lisbon');

  test('by the hours of the last ninety days', () => {
    const shares = playShares(log(played('ana', 30, 2)), ['ana', 'rui']);
    expect(shares).toEqual([
      { personId: 'ana', hours: 60, share: 1 },
      { personId: 'rui', hours: 0, share: 0 },
    ]);
    // What lies further back does not count.
    const before = by('rui', session(ago(100), 3));
    expect(playShares(log(before), ['ana', 'rui']).map(({ share }) => share)).toEqual([0.5, 0.5]);
  });

  test('shares come to one, however it was said', () => {
    const whom = fc.option(fc.constantFrom('ana', 'rui', 'nobody here'), { nil: undefined });
    fc.assert(
      fc.property(fc.array(fc.tuple(whom, fc.integer({ min: 1, max: 180 })), { maxLength: 12 }), (evenings) => {
        const events = evenings.flatMap(([who, minutes], day) => {
          const [began, ended] = session(ago(day + 1), minutes / 60);
          return who === undefined ? [began, ended] : [{ ...began, by: who }, ended];
        });
        const shares = playShares(log(events), ['ana', 'rui']);
        expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
        expect(shares.every(({ share }) => share >= 0)).toBe(true);
      }),
    );
  });
});

describe('hands', () => {
  test('of one are theirs, of nobody the instrument’s', () => {
    expect(handsOn('low', [], [])).toEqual({ kind: 'low', factor: 1.15, own: false });
    const shares = [{ personId: 'ana', hours: 0, share: 1 }];
    expect(handsOn('low', [{ ...ana, hands: 'corrosive' }], shares)).toEqual({
      kind: 'corrosive',
      factor: 0.7,
      own: true,
    });
    expect(handsOn('low', [ana], shares)).toEqual({ kind: 'low', factor: 1.15, own: false });
  });

  test('of several lie between theirs, nearer to who plays more', () => {
    const people = [
      { ...ana, hands: 'corrosive' },
      { ...rui, hands: 'usual' },
    ] as const;
    const strings = (events: readonly LogEvent[]) => {
      const fitted = event('strings-fitted', ago(60), { strings: null, reason: 'worn', known: true });
      return threadOf(judged(people, { heron: [fitted, ...events] }).threads, 'strings')!;
    };
    const [hers, his] = [strings(played('ana', 40, 1)), strings(played('rui', 40, 1))];
    expect(hers.hands).toEqual({ kind: null, factor: expect.closeTo(0.7, 9) as number, own: true });
    expect(his.hands.factor).toBeCloseTo(1, 9);
    expect(hers.window!.middle).toBeLessThan(his.window!.middle);
    // Nobody said whose playing it was: both alike.
    expect(strings([]).hands.factor).toBeCloseTo(Math.sqrt(0.7), 9);
  });
});

describe('how much is played', () => {
  test('on somebody’s one instrument is expected of another, by half of it, within a half and twice', () => {
    const much = { heron: played('rui', 198, 2) };
    const alone = judged([{ ...rui, plays: ['wren'] }], much, 1);
    const both = judged([rui], much, 1);
    expect(alone.pace.startedFrom).toBe(0.5);
    expect(alone.pace.learnedFrom).toBe(0);
    expect(both.pace.learnedFrom).toBe(1);
    expect(both.pace.startedFrom).toBeGreaterThan(0.8);
    expect(both.pace.startedFrom).toBeLessThanOrEqual(0.5 * MOST_MOVED);
    // What they said of it counts alone.
    const said = question([rui], much);
    const wren = { ...said.instruments[1]!, setUp: { ...said.instruments[1]!.setUp, habit: 'hour' } } as const;
    const asked = { ...said, instruments: [said.instruments[0]!, wren] };
    expect(assessHousehold(asked).assessments[1]!.pace).toMatchObject({ said: 'hour', learnedFrom: 0 });
  });

  test('of what two play on one only one’s own part goes along', () => {
    const log = played('ana', 198, 2);
    const told = learnedFrom(judged([ana, rui], { heron: log }), [ana, rui]).pace!;
    expect(told.hoursPerDay).toBeGreaterThan(1.5);
    expect(partOfPace(told, new Set(['ana']))!.hoursPerDay).toBeCloseTo(told.hoursPerDay, 9);
    expect(partOfPace(told, new Set(['rui']))).toBeNull();
    expect(judged([ana, rui], { heron: log }, 1).pace.learnedFrom).toBe(0);
    // Where nobody said who plays, nothing goes along: it may be anybody.
    expect(learnedFrom(judged([], { heron: log })).pace).toBeNull();
  });

  test('bounded, the usual where nothing was seen, and the surer the more was', () => {
    const seen = fc.record({
      hoursPerDay: fc.double({ min: 0.001, max: 20, noNaN: true }),
      logSd: fc.double({ min: 0.01, max: 2, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(seen, { maxLength: 8 }), seen, (others, more) => {
        const some = paceElsewhere(0.5, 0.8, others);
        expect(some.hoursPerDay).toBeGreaterThanOrEqual(0.25 - 1e-9);
        expect(some.hoursPerDay).toBeLessThanOrEqual(1 + 1e-9);
        expect(paceElsewhere(0.5, 0.8, [...others, more]).logSd).toBeLessThan(some.logSd);
        // What is the instrument's own remains uncertain, whatever is known of its player.
        expect(some.logSd).toBeGreaterThan(0.8 * Math.SQRT1_2);
      }),
    );
    const none = paceElsewhere(0.5, 0.8, []);
    expect(none).toEqual({ hoursPerDay: 0.5, logSd: expect.closeTo(0.8, 12) as number });
    // One that is known for certain moves it by the share that is the player's: half, in logarithms.
    expect(paceElsewhere(0.5, 0.8, [{ hoursPerDay: 0.75, logSd: 0 }]).hoursPerDay).toBeCloseTo(0.5 * Math.sqrt(1.5), 9);
  });
});

describe('at the stand', () => {
  const measured = (who: string, days: number, figure: 'rest-left' | 'action', value: number) =>
    by(who, [event('measured', ago(days), { figure, value })]);
  const log = [
    ...measured('ana', 9, 'rest-left', 30),
    ...measured('mother', 8, 'rest-left', 31),
    ...measured('rui', 7, 'rest-left', 40),
    ...measured('rui', 6, 'action', 2),
  ];
  const household = { schools: { cloths: 'B' } } as const;
  const last = (people: readonly Player[], who: Player | null, figure: 'rest-left' | 'action') =>
    lastMeasure(seenBy(judged(people, { heron: log }), who, people, household.schools).log, figure)?.value;

  test('what fits one player is not another’s; what is the instrument’s is everybody’s', () => {
    expect(last([ana, rui], ana, 'rest-left')).toBe(31);
    expect(last([ana, rui], rui, 'rest-left')).toBe(40);
    expect(last([ana, rui], ana, 'action')).toBe(2);
    // Alone with it, or nobody there: as it was measured last.
    expect(last([ana], ana, 'rest-left')).toBe(40);
    expect(last([ana, rui], null, 'rest-left')).toBe(40);
  });

  test('each goes by their own sides', () => {
    const people = [
      { ...ana, schools: { cloths: 'A' } },
      { ...rui, schools: { slack: 'B' } },
    ] as const;
    const assessment = judged(people, {});
    const sides = (who: Player) => seenBy(assessment, who, people, household.schools).schools;
    expect(sides(people[0])).toMatchObject({ cloths: 'A', slack: 'A' });
    expect(sides(people[1])).toMatchObject({ cloths: 'B', slack: 'B' });
    // The household itself is judged by what they agree on.
    expect(assessment.schools).toMatchObject({ cloths: 'A', slack: 'B' });
  });
});
