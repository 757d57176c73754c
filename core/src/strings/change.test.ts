import fc from 'fast-check';
import {
  brokenVerdict,
  changeJob,
  changeOrder,
  dropBetween,
  ownCreep,
  RETUNE_CENTS,
  settledAfterDays,
  settleDays,
  settlingPlan,
  SETTLED_CENTS,
  spareLeft,
  usualCreep,
  type BrokenCase,
  type Spare,
} from '.';
import { anyFacts, withSetUp } from '../testing/situations';
import { usualFacts, plainString, statedString } from '../instruments';
import { DAY_MS } from '../time';

const E = plainString('steel', 0.26);
const SYNTHETIC = statedString('synthetic', 'silver', { tensionN: 44, lengthMm: 328, hz: 196 });
const NYLON = plainString('nylon', 0.7);

describe('one string broke', () => {
  const base: BrokenCase = {
    family: 'violin',
    others: [
      { wear: 0.2, daysOn: 60 },
      { wear: 0.2, daysOn: 60 },
    ],
    settleDays: { one: 2, set: 8 },
    performanceInDays: null,
    spares: { one: true, set: false },
  };
  const codes = (given: Partial<BrokenCase>) => brokenVerdict({ ...base, ...given }).reasons.map(({ code }) => code);

  test('on a fresh set just the one, on an old set the whole', () => {
    // Handbook 4.
    expect(brokenVerdict(base)).toMatchObject({ answer: 'one', restAfter: false });
    expect(brokenVerdict({ ...base, others: [{ wear: 0.7, daysOn: 200 }] })).toMatchObject({ answer: 'set' });
    expect(codes({ others: [{ wear: 0.02, daysOn: 9 }] })).toContain('others-fresh');
  });

  test('on a guitar the whole after three weeks, when the others have gone dull', () => {
    const guitar = (daysOn: number) =>
      brokenVerdict({ ...base, family: 'guitar', others: [{ wear: 0.1, daysOn }] }).answer;
    expect([guitar(14), guitar(30)]).toEqual(['one', 'set']);
  });

  test('on a harp always the one', () => {
    expect(brokenVerdict({ ...base, family: 'harp', others: [{ wear: 2, daysOn: 900 }] }).answer).toBe('one');
  });

  test('a week before a performance only the one, the rest of an old set after it', () => {
    const verdict = brokenVerdict({ ...base, others: [{ wear: 0.8, daysOn: 300 }], performanceInDays: 7 });
    expect(verdict).toMatchObject({ answer: 'one', restAfter: true, unsettled: false });
    expect(brokenVerdict({ ...base, performanceInDays: 1 })).toMatchObject({ answer: 'one', unsettled: true });
    expect(brokenVerdict({ ...base, others: [{ wear: 0.8, daysOn: 300 }], performanceInDays: 30 }).answer).toBe('set');
  });

  test('says what lies in the cupboard, and what is not known', () => {
    expect(codes({ others: [{ wear: null, daysOn: null }] })).toEqual(['others-unknown', 'spare']);
    expect(codes({ others: [{ wear: 0.8, daysOn: 300 }] })).toContain('no-spare');
  });
});

describe('settling', () => {
  test('takes the time the trade gives it', () => {
    // Handbook 4: bowed strings drift for days, harp strings for a week or two.
    expect(settleDays([E])).toBeLessThanOrEqual(2);
    expect(settleDays([E, SYNTHETIC])).toBeGreaterThanOrEqual(5);
    expect(settleDays([E, SYNTHETIC])).toBeLessThanOrEqual(10);
    expect(settleDays([NYLON])).toBeGreaterThanOrEqual(7);
    expect(settleDays([NYLON])).toBeLessThanOrEqual(15);
  });

  test('the drop of a day at the end is what nobody minds', () => {
    for (const spec of [E, SYNTHETIC, NYLON, null]) {
      const creep = usualCreep(spec);
      const end = settledAfterDays(creep);
      expect(dropBetween(creep, end, end + 1)).toBeCloseTo(SETTLED_CENTS, 6);
    }
  });

  test('drops add up however often it is tuned', () => {
    const age = fc.double({ min: 0, max: 30, noNaN: true });
    fc.assert(
      fc.property(age, age, age, (...ages) => {
        const [a, b, c] = [...ages].sort((x, y) => x - y) as [number, number, number];
        const creep = usualCreep(SYNTHETIC);
        expect(dropBetween(creep, a, b) + dropBetween(creep, b, c)).toBeCloseTo(dropBetween(creep, a, c), 9);
      }),
    );
  });

  test('is learned from how far it was found off', () => {
    const usual = usualCreep(SYNTHETIC);
    const truth = { cents: 640, days: 3.2 };
    const days = [0.2, 0.5, 1, 1.5, 2.2, 3, 4, 5.5, 7];
    const tunings = days.map((day, at) => ({ at: day * DAY_MS, cents: -dropBetween(truth, days[at - 1] ?? 0, day) }));
    const own = ownCreep(usual, 0, tunings);
    expect(Math.abs(Math.log(own.cents / truth.cents))).toBeLessThan(0.15);
    expect(Math.abs(Math.log(own.days / truth.days))).toBeLessThan(0.15);
    expect(ownCreep(usual, 0, [])).toEqual({ ...usual, found: 0 });
  });

  test('the plan tells when it has fallen enough to tune, ever farther apart, and when it is over', () => {
    const plan = settlingPlan(SYNTHETIC, 0, [], 0);
    const gaps = plan.retunes.slice(1).map((at, index) => at - plan.retunes[index]!);
    for (let at = 1; at < gaps.length; at++) expect(gaps[at]!).toBeGreaterThanOrEqual(gaps[at - 1]!);
    const creep = usualCreep(SYNTHETIC);
    expect(dropBetween(creep, 0, plan.retunes[0]! / DAY_MS)).toBeCloseTo(RETUNE_CENTS, 6);
    expect(plan.perDay[0]).toBeCloseTo(dropBetween(creep, 0, 1), 9);
    expect(plan.settled).toBe(false);
    const late = settlingPlan(SYNTHETIC, 0, [], 30 * DAY_MS);
    expect(late).toMatchObject({ settled: true, retunes: [], perDay: [] });
  });
});

describe('the guided change', () => {
  test('of four strings goes 4-1-3-2', () => {
    // Handbook 4: outside-in, a common order. Position 0 is the lowest, which players call the fourth.
    expect(changeOrder(usualFacts('violin'), [0, 1, 2, 3])).toEqual([0, 3, 1, 2]);
    expect(changeOrder(usualFacts('guitar'), [5, 3, 0])).toEqual([0, 3, 5]);
  });

  test('never takes all off where the strings hold the bridge, whatever was asked; looks at the bridge after every string there', () => {
    fc.assert(
      fc.property(anyFacts, fc.constantFrom('A' as const, 'B' as const, 'C' as const), (facts, wanted) => {
        const all = Array.from({ length: facts.stringCount }, (_, at) => at);
        const job = changeJob(facts, wanted, all, () => null);
        expect([...job.order].sort((a, b) => a - b)).toEqual(all);
        const strings = job.blocks.filter(({ position }) => position !== null);
        expect(strings.map(({ position }) => position)).toEqual(job.order);
        const ids = job.blocks.flatMap(({ steps }) => steps.map(({ id }) => id));
        expect(new Set(ids).size).toBe(ids.length);
        if (facts.setUp.floatingBridge) {
          expect(job.way).not.toBe('C');
          expect(ids).not.toContain('all-off');
          for (const { steps } of strings) expect(steps.at(-1)!.picture).toBe('bridge');
        }
        expect(job.refusedAllOff).toBe(wanted === 'C' && (facts.setUp.floatingBridge || facts.family !== 'guitar'));
        expect(job.blocks[0]!.steps[0]!.caution).toMatch(/face away/);
      }),
    );
  });

  test('a guitar with a fixed bridge may have all off, and its fretboard cleaned bare', () => {
    const job = changeJob(usualFacts('guitar'), 'C', [0, 1, 2, 3, 4, 5], () => null);
    expect(job.way).toBe('C');
    expect(job.blocks[0]!.steps.map(({ id }) => id)).toEqual(['ready', 'all-off', 'clean']);
    expect(changeJob(usualFacts('guitar'), 'C', [5], () => null).way).toBe('B');
    // Derived: 3.5 wraps on the usual post of 6 mm.
    expect(JSON.stringify(job)).toContain('Leave 66 mm of slack');
  });

  test('for a child a teacher does it; the protector goes under the thinnest', () => {
    const job = changeJob(withSetUp('violin', { player: 'child' }), 'B', [3], () => E);
    expect(job.blocks[0]!.steps[0]!.caution).toMatch(/teacher/);
    expect(job.blocks[1]!.steps.map(({ picture }) => picture)).toContain('protector');
    expect(JSON.stringify(changeJob(usualFacts('violin'), 'B', [0], () => null))).not.toContain('protector');
  });
});

test('spares go down by what was fitted from them, packet by packet and string by string', () => {
  const spare: Spare = {
    title: 'A set',
    family: 'violin',
    kind: null,
    positions: [0, 1, 2, 3],
    specs: null,
    quantity: 2,
    boughtOn: null,
  };
  const fitting = (strings: number[] | null, spares: (string | null)[] | null) => ({
    eventId: 'x',
    at: 0,
    known: true,
    reason: 'worn' as const,
    strings,
    spares,
  });
  expect(spareLeft('s', spare, [])).toEqual({ packets: 2, strings: [2, 2, 2, 2] });
  expect(spareLeft('s', spare, [fitting([3], ['s']), fitting([1], ['other'])])).toEqual({
    packets: 1,
    strings: [2, 2, 2, 1],
  });
  expect(spareLeft('s', spare, [fitting(null, ['s', 's', 's', 's']), fitting([3], ['s'])])).toEqual({
    packets: 0,
    strings: [1, 1, 1, 0],
  });
});
