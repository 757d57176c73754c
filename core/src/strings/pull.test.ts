import { presetsFor } from '../sets';
import { plainString, statedString, usualFacts, type StringSpec } from '../instruments';
import { foldLog, type Fitting, type LogEvent } from '../log';
import { DAY_MS, YEAR_DAYS } from '../time';
import { compareStrung, loadVerdict, slackMm, type Strung } from './compare';
import { stringLife, wipingHabit, WIPING_FACTORS } from './life';
import { breakingStress, coreShare } from './materials';
import { pastStrings, specIn, stringsOn } from './on';
import { hasOneLength, openStringName, openStrings, temperamentOf } from './open';
import {
  ownCreep,
  settleDays,
  settledAfterDays,
  settlingPlan,
  usualCreep,
  dropBetween,
  RETUNE_CENTS,
} from './settling';
import { isOldSpare, OLD_SPARE_YEARS, spareLeft, type Spare } from './spares';
import { densityOf, pullOf, setPull, strengthOf } from './tension';
import { usualLengthMm, usualTuning } from './tunings';

const E = plainString('steel', 0.26);
const G = statedString('synthetic', 'silver', { tensionN: 44, lengthMm: 328, hz: 196 });
const strung = (specs: (StringSpec | null)[], hz = 440): Strung =>
  specs.map((spec, at) => ({ spec, note: 60 + at, lengthMm: 328, hz }));

describe('what strings pull', () => {
  it('by the packet where it says so: density first, then its tension', () => {
    expect(densityOf({ ...E, densityGPerM: 0.5 })).toEqual({ density: 0.0005, basis: 'packet' });
    expect(densityOf(G)!.basis).toBe('packet');
    expect(pullOf(G, 328, 196).tensionN).toBeCloseTo(44, 6);
    expect(densityOf(E)!.basis).toBe('gauge');
    expect(densityOf({ ...E, winding: 'nickel' })!.basis).toBe('estimate');
    expect(densityOf({ ...E, gaugeMm: null })).toBeNull();
    expect(pullOf(null, 328, 440)).toEqual({ tensionN: null, basis: null, strength: null });
  });

  it('a wound string’s nearness to breaking is not told, nor one of no gauge', () => {
    expect(strengthOf({ ...E, winding: 'nickel' }, 328, 659)).toBeNull();
    expect(strengthOf({ ...E, gaugeMm: null }, 328, 659)).toBeNull();
    const strength = strengthOf(E, 328, 659.26)!;
    expect(strength.toBreaking - strength.safeAbove).toBeCloseTo(6 * Math.log2(1 / 0.85), 9);
  });

  it('together: a sum, shares of it, the strongest over the weakest', () => {
    const set = setPull(strung([G, E, null], 300));
    expect(set.unknown).toBe(1);
    const [g, e] = set.pulls.map(({ tensionN }) => tensionN!);
    expect(set.totalN).toBeCloseTo(g! + e!, 9);
    expect(set.shares[0]! + set.shares[1]!).toBeCloseTo(1, 12);
    expect(set.shares[2]).toBeNull();
    expect(set.balance).toBeCloseTo(Math.max(g!, e!) / Math.min(g!, e!), 12);
    expect(setPull(strung([E, null])).balance).toBeNull();
    expect(setPull(strung([null, null]))).toMatchObject({ totalN: 0, shares: [null, null], balance: null });
  });

  it('compared: each by itself, the whole only where all are known on both sides', () => {
    const same = compareStrung({ family: 'violin' }, strung([E, E]), strung([E, E], 466.16));
    expect(same.each[0]!.change).toBeCloseTo((466.16 / 440) ** 2 - 1, 9);
    expect(same.total).toBeCloseTo((466.16 / 440) ** 2 - 1, 9);
    const unknown = compareStrung({ family: 'violin' }, strung([E, null]), strung([null, E]));
    expect(unknown.each.map(({ change }) => change)).toEqual([null, null]);
    expect(unknown).toMatchObject({ total: null, verdict: 'unknown' });
    expect(compareStrung({ family: 'violin' }, strung([E]), strung([E, E])).each[1]).toMatchObject({
      oldN: null,
      change: null,
    });
  });

  it('what would break and what stands past what is safe are told apart', () => {
    const strength = strengthOf(E, 328, 440)!;
    const up = (semitones: number) => strung([E, null], 440 * 2 ** (semitones / 12));
    const told = (semitones: number) => {
      const { breaks, strained } = compareStrung({ family: 'violin' }, up(0), up(semitones));
      return [breaks, strained];
    };
    expect(told(strength.safeAbove - 0.1)).toEqual([[], []]);
    expect(told(strength.safeAbove + 0.1)).toEqual([[], [0]]);
    expect(told(strength.toBreaking - 0.1)).toEqual([[], [0]]);
    expect(told(strength.toBreaking + 0.1)).toEqual([[0], []]);
  });

  it('a change of load asks for a look or a set-up from the family’s limits on, up or down', () => {
    const verdicts = [0, 0.02, 0.3, -0.3].map((change) => loadVerdict('violin', change));
    expect(verdicts[0]).toBe('same');
    expect(verdicts.slice(2)).toEqual(['set-up', 'set-up']);
    expect(loadVerdict('violin', null)).toBe('unknown');
    expect(slackMm(3.5, 6)).toBeCloseTo(65.97, 2);
  });
});

describe('materials', () => {
  it('thin music wire is the stronger; the others have one figure each', () => {
    expect(breakingStress('steel', 1) / 1e6).toBeCloseTo(2211, 6);
    expect(breakingStress('steel', 0.26)).toBeGreaterThan(breakingStress('steel', 0.5));
    const figures = (['gut', 'carbon', 'nylon', 'synthetic'] as const).map((core) => breakingStress(core, 0.7) / 1e6);
    expect(figures).toEqual([320, 620, 420, 420]);
  });

  it('the core of a wound string takes from three to six tenths of it, less the thicker', () => {
    expect(coreShare(0.1)).toBeCloseTo(0.5425, 9);
    expect(coreShare(1)).toBeCloseTo(0.43, 9);
    expect(coreShare(5)).toBe(0.3);
    expect(coreShare(-5)).toBe(0.6);
  });
});

describe('open strings', () => {
  const violin = usualFacts('violin');
  const harp = usualFacts('harp', 'lever');

  it('are as the player said, else as is usual', () => {
    expect(openStrings(violin).map(({ note }) => note)).toEqual([55, 62, 69, 76]);
    const own = { ...violin, stringing: { ...violin.stringing, tuning: [57, 62, 69, 76] } };
    expect(openStrings(own)[0]!.note).toBe(57);
    // A tuning of another number of strings is not this instrument's.
    const odd = { ...violin, stringing: { ...violin.stringing, tuning: [57, 62, 69] } };
    expect(openStrings(odd)[0]!.note).toBe(55);
    expect(usualTuning('violin', null, 4)).toEqual([55, 62, 69, 76]);
  });

  it('are as long as the player measured: each, else the whole, else as is usual', () => {
    const length = (stringing: object, facts = violin) =>
      openStrings({ ...facts, stringing: { ...facts.stringing, ...stringing } })[0]!.lengthMm;
    expect(length({ lengthMm: null, lengthsMm: null })).toBe(usualLengthMm(violin, 55));
    expect(length({ lengthMm: 325, lengthsMm: null })).toBe(325);
    expect(length({ lengthMm: 325, lengthsMm: [300, 300, 300, 300] })).toBe(300);
    // A harp has no one length.
    expect(length({ lengthMm: 325, lengthsMm: null }, harp)).not.toBe(325);
    expect([hasOneLength(violin), hasOneLength(harp)]).toEqual([true, false]);
  });

  it('are tuned as the player said, else as the family is', () => {
    expect(temperamentOf(violin)).toBe('fifths');
    expect(temperamentOf({ ...violin, stringing: { ...violin.stringing, temperament: 'equal' } })).toBe('equal');
    expect(temperamentOf(usualFacts('guitar', 'steel'))).toBe('equal');
  });

  it('have the names players say: a note, on a harp with its octave from the top', () => {
    expect(openStringName(violin, 76)).toBe('E5');
    expect(openStringName(harp, 72)).toMatch(/^C, octave \d$/);
    expect(openStringName(harp, 73)).not.toMatch(/-?\d, /);
  });

  it('have sets to begin from', () => {
    expect(presetsFor(violin, openStrings(violin)).length).toBeGreaterThan(0);
    expect(presetsFor(violin, openStrings(violin)).every(({ strings }) => strings.length === 4)).toBe(true);
  });
});

describe('what is on, and what was', () => {
  let count = 0;
  const fitting = (at: number, strings: number[] | null, known = true, specs?: StringSpec[]): LogEvent =>
    ({
      id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
      instrumentId: 'v',
      type: 'strings-fitted',
      occurredAt: new Date(at * DAY_MS).toISOString(),
      recordedAt: new Date(at * DAY_MS).toISOString(),
      payload: { strings, reason: 'worn', known, ...(specs && { specs }) },
    }) as LogEvent;
  const log = foldLog(
    [
      fitting(10, null, true, [G, G, G, E]),
      fitting(20, [3], true, [E]),
      fitting(30, [3, 0], true, [E, G]),
      fitting(40, [1], false),
    ],
    50 * DAY_MS,
    'UTC',
  );

  it('a fitting says what its strings are, by position or in its own order', () => {
    const find = (position: number, at: number) => specIn(log.fittings[at]!, position);
    expect(find(0, 0)).toEqual(G);
    expect(find(3, 0)).toEqual(E);
    expect(find(0, 2)).toEqual(G);
    expect(find(3, 2)).toEqual(E);
    expect(find(2, 1)).toBeNull();
    expect(find(1, 3)).toBeNull();
  });

  it('each string came with the last known fitting that took it in', () => {
    const on = stringsOn(log, 4).map(({ fitting: each }) => each && each.at / DAY_MS);
    expect(on).toEqual([30, 10, 10, 30]);
    expect(stringsOn({ fittings: [] as Fitting[] }, 2)).toEqual([
      { position: 0, fitting: null, spec: null },
      { position: 1, fitting: null, spec: null },
    ]);
  });

  it('those that are off again had a beginning and an end that somebody knew', () => {
    const past = pastStrings(log, 4).map(({ position, from, to }) => [position, from / DAY_MS, to / DAY_MS]);
    expect(past).toEqual([
      [0, 10, 30],
      [3, 10, 20],
      [3, 20, 30],
    ]);
  });
});

describe('life', () => {
  it('a coated string lasts twice as long, and says that this is a default', () => {
    const bare = stringLife('violin', null, G);
    const coated = stringLife('violin', null, { ...G, coated: true });
    expect(coated).toMatchObject({ hours: 2 * bare.hours, days: 2 * bare.days, basis: 'default' });
    expect(stringLife('violin', null)).toEqual(stringLife('violin', null, null));
  });

  const sessions = (count: number) =>
    Array.from(
      { length: count },
      (_, at) => ({ parts: [`s${at}`] }) as unknown as Parameters<typeof wipingHabit>[0]['sessions'][number],
    );
  const steps = (wiped: (boolean | null)[], step = 'wipe-strings') =>
    wiped.flatMap((done, at) => (done === null ? [] : [{ step, done, sessionId: `s${at}` }])) as unknown as Parameters<
      typeof wipingHabit
    >[0]['steps'];

  it('wiping is told from eight sessions with a round on', () => {
    expect(wipingHabit({ sessions: sessions(7), steps: steps(Array(7).fill(true)) })).toBeNull();
    expect(wipingHabit({ sessions: sessions(8), steps: steps(Array(8).fill(true)) })).toEqual({
      share: 1,
      sessions: 8,
      factor: WIPING_FACTORS.always,
    });
    // Sessions without a round tell nothing, nor do other steps.
    expect(
      wipingHabit({ sessions: sessions(20), steps: steps([...Array(7).fill(true), ...Array(13).fill(null)]) }),
    ).toBeNull();
    expect(wipingHabit({ sessions: sessions(20), steps: steps(Array(20).fill(true), 'slacken') })).toBeNull();
  });

  it('its factor goes by the share of sessions, the last sixty of them', () => {
    const half = wipingHabit({
      sessions: sessions(10),
      steps: steps(Array.from({ length: 10 }, (_, at) => at % 2 === 0)),
    })!;
    expect(half.share).toBe(0.5);
    expect(half.factor).toBeCloseTo((WIPING_FACTORS.never + WIPING_FACTORS.always) / 2, 12);
    const late = wipingHabit({
      sessions: sessions(100),
      steps: steps(Array.from({ length: 100 }, (_, at) => at >= 40)),
    })!;
    expect(late).toMatchObject({ share: 1, sessions: 60 });
    // Of a session on two devices one wiped is wiped.
    const two = [{ parts: ['a', 'b'] }, ...sessions(8)] as Parameters<typeof wipingHabit>[0]['sessions'];
    const both = [
      { step: 'wipe-strings', done: false, sessionId: 'a' },
      { step: 'wipe-strings', done: true, sessionId: 'b' },
      ...steps(Array(8).fill(false)),
    ] as unknown as Parameters<typeof wipingHabit>[0]['steps'];
    expect(wipingHabit({ sessions: two, steps: both })!.share).toBeCloseTo(1 / 9, 12);
  });
});

describe('settling', () => {
  it('plain steel is quickest, and what nobody described is taken for synthetic', () => {
    expect(usualCreep(null)).toEqual(usualCreep(G));
    expect(usualCreep(E).days).toBeLessThan(usualCreep({ ...E, winding: 'nickel' }).days);
    expect(settledAfterDays({ cents: 3, days: 10 })).toBe(0);
    expect(settleDays([])).toBe(0);
    expect(settleDays([E, G])).toBe(settleDays([G]));
    expect(settleDays([E])).toBe(Math.ceil(settledAfterDays(usualCreep(E))));
  });

  it('without a tuning it is the usual; with many it is the string’s own', () => {
    const usual = usualCreep(G);
    expect(ownCreep(usual, 0, [])).toMatchObject({
      cents: expect.closeTo(usual.cents, 6),
      days: expect.closeTo(usual.days, 6),
      found: 0,
    });
    const own = { cents: usual.cents * 1.5, days: usual.days * 0.8 };
    const tunings = Array.from({ length: 24 }, (_, at) => ({
      at: ((at + 1) * DAY_MS) / 3,
      cents: -dropBetween(own, at / 3, (at + 1) / 3),
    }));
    const found = ownCreep(usual, 0, tunings);
    expect(found.found).toBe(24);
    expect(found.cents / own.cents).toBeGreaterThan(0.85);
    expect(found.cents / own.cents).toBeLessThan(1.15);
  });

  it('each retuning comes when it has fallen by so much since the last, none in the past, none once it is settled', () => {
    const plan = settlingPlan(G, 0, [], 0.5 * DAY_MS);
    expect(plan.settled).toBe(false);
    expect(plan.retunes.length).toBeGreaterThan(2);
    expect(plan.retunes[0]).toBeGreaterThanOrEqual(0.5 * DAY_MS);
    expect(plan.retunes.at(-1)).toBeLessThanOrEqual(plan.settledAt);
    for (let at = 1; at < plan.retunes.length; at++) {
      const [from, to] = [plan.retunes[at - 1]! / DAY_MS, plan.retunes[at]! / DAY_MS];
      expect(dropBetween(plan.creep, from, to)).toBeCloseTo(RETUNE_CENTS, 6);
    }
    expect(plan.fallenCents).toBeCloseTo(dropBetween(plan.creep, 0, 0.5), 9);
    expect(plan.perDay[0]).toBeCloseTo(dropBetween(plan.creep, 0.5, 1.5), 9);
    expect([...plan.perDay].sort((a, b) => b - a)).toEqual(plan.perDay);
    expect(plan.perDay.length).toBeLessThanOrEqual(30);
  });

  it('what is fallen counts from the last tuning', () => {
    const tuned = settlingPlan(G, 0, [{ at: DAY_MS, cents: -40 }], 1.25 * DAY_MS);
    expect(tuned.fallenCents).toBeCloseTo(dropBetween(tuned.creep, 1, 1.25), 9);
  });

  it('a settled string wants nothing', () => {
    const plan = settlingPlan(G, 0, [], 400 * DAY_MS);
    expect(plan).toMatchObject({ settled: true, retunes: [], perDay: [] });
    expect(settlingPlan(G, 0, [], plan.settledAt).settled).toBe(true);
  });
});

describe('spares', () => {
  const spare: Spare = {
    title: 'A packet',
    family: 'violin',
    kind: null,
    positions: [0, 1, 2, 3],
    specs: null,
    quantity: 2,
    boughtOn: '2020-03-14',
  };
  const used = (strings: number[] | null, spares: (string | null)[] | undefined) =>
    ({ strings, spares }) as unknown as Fitting;

  it('go down by what was fitted from this packet, string by string', () => {
    const left = spareLeft('p', spare, [
      used([3], ['p']),
      used([3, 0], ['p', 'other']),
      used(null, undefined),
      used([2], ['other']),
    ]);
    expect(left).toEqual({ packets: 0, strings: [2, 2, 2, 0] });
    expect(spareLeft('p', spare, [used([9], ['p'])])).toEqual({ packets: 2, strings: [2, 2, 2, 2] });
    expect(spareLeft('p', spare, [used([3], ['p']), used([3], ['p']), used([3], ['p'])]).strings[3]).toBe(0);
  });

  it('are old after four years; one of unknown age is not said to be', () => {
    const bought = Date.parse('2020-03-14');
    const years = OLD_SPARE_YEARS * YEAR_DAYS * DAY_MS;
    expect(isOldSpare(spare, bought + years)).toBe(false);
    expect(isOldSpare(spare, bought + years + 1)).toBe(true);
    expect(isOldSpare({ boughtOn: null }, bought + 10 * years)).toBe(false);
  });
});
