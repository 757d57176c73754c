import fc from 'fast-check';
import {
  CircularOrder,
  CLOSING_STEPS,
  closingRound,
  everydaySteps,
  inOrder,
  OPENING_STEPS,
  openingRound,
  openRound,
  PACKING_STEPS,
  packingRound,
  roundRecords,
  applies,
  type Situation,
  type StepData,
} from '.';
import {
  CASES,
  FAMILIES,
  FAMILY_FACTS,
  FINISHES,
  RESTS,
  stringNames,
  usualFacts,
  type Family,
  type InstrumentFacts,
} from '../instruments';
import { foldLog, type LogEvent, type StepId } from '../log';
import { SCHOOLS, schoolsFor, schoolsOf, type SchoolId, type Schools } from '../schools';
import { DAY_MS, HOUR_MS } from '../time';
import { scribe } from '../testing/events';
import { conditionOf } from '../upkeep';

const NOW = Date.parse('2026-06-01T20:00:00.000Z');

function situation(
  facts: InstrumentFacts,
  events: readonly LogEvent[] = [],
  schools: Schools = schoolsFor(facts.family, {}, facts.schools),
): Situation {
  const log = foldLog(events, NOW, 'UTC');
  return { facts, schools, log, condition: conditionOf(facts, log, schools, NOW - 300 * DAY_MS) };
}
const ids = <Id extends string>(steps: readonly { step: Id }[]) => steps.map(({ step }) => step);
const steps = (facts: InstrumentFacts, schools?: Schools) => ids(closingRound(situation(facts, [], schools)));
const withSetUp = (family: Family, setUp: Partial<InstrumentFacts['setUp']>): InstrumentFacts => {
  const usual = usualFacts(family);
  return { ...usual, setUp: { ...usual.setUp, ...setUp } };
};

/** Any instrument a household can have. */
const anyFacts: fc.Arbitrary<InstrumentFacts> = fc.constantFrom(...FAMILIES).chain((family) =>
  fc
    .record({
      kind: FAMILY_FACTS[family].kinds.length > 0 ? fc.constantFrom(...FAMILY_FACTS[family].kinds) : fc.constant(null),
      shoulderRest: FAMILY_FACTS[family].shoulderRest ? fc.constantFrom(...RESTS) : fc.constant('none' as const),
      case: fc.constantFrom(...CASES),
      stand: fc.boolean(),
      endpin: FAMILY_FACTS[family].endpin ? fc.boolean() : fc.constant(false),
      humidifier: fc.boolean(),
      floatingBridge: fc.boolean(),
      finish: fc.constantFrom(...FINISHES),
      player: fc.constantFrom('adult' as const, 'child' as const),
    })
    .map(({ kind, ...setUp }) => ({ ...usualFacts(family, kind ?? undefined), setUp })),
);
const anySchools: fc.Arbitrary<Schools> = fc
  .tuple(...SCHOOLS.map(() => fc.constantFrom('A' as const, 'B' as const)))
  .map((sides) => Object.fromEntries(SCHOOLS.map((id, at) => [id, sides[at]!])) as Schools);
/** A year and a bit of playing with steps done now and then. */
const anyLog: fc.Arbitrary<LogEvent[]> = fc
  .array(
    fc.record({
      daysAgo: fc.integer({ min: 0, max: 400 }),
      hours: fc.double({ min: 0.1, max: 3, noNaN: true }),
      done: fc.subarray<StepId>([
        'wipe-strings',
        'wipe-hands',
        'chin-rest',
        'action-dust',
        'humidifier',
        'weekly-clean',
      ]),
    }),
    { maxLength: 12 },
  )
  .map((evenings) => {
    const { session, event } = scribe();
    return evenings.flatMap(({ daysAgo, hours, done }): LogEvent[] => {
      const [began, ended] = session(NOW - daysAgo * DAY_MS - 6 * HOUR_MS, hours);
      return [began, ended, ...done.map((step) => event('step-done', ended.occurredAt, { step, sessionId: began.id }))];
    });
  });

describe('the data', () => {
  const rounds: [string, readonly StepData<string>[]][] = [
    ['closing', CLOSING_STEPS],
    ['opening', OPENING_STEPS],
    ['packing', PACKING_STEPS],
  ];

  test.each(rounds)(
    'of the %s round: at most one wording of a step applies, and the order has no circle',
    (_, data) => {
      fc.assert(
        fc.property(anyFacts, anySchools, (facts, schools) => {
          const chosen = data.filter((step) => applies(step.for, facts, schools));
          expect(new Set(chosen.map(({ id }) => id)).size).toBe(chosen.length);
          expect(inOrder(chosen)).toHaveLength(chosen.length);
        }),
      );
    },
  );

  test.each(rounds)(
    'of the %s round: every step says what, how and why, and follows only steps there are',
    (_, data) => {
      const known = new Set(data.map(({ id }) => id));
      for (const { title, how, why, after = [] } of data) {
        expect([title, ...how, why].every((text) => text.length > 3)).toBe(true);
        expect(after.filter((id) => !known.has(id) && !CLOSING_STEPS.some((step) => step.id === id))).toEqual([]);
      }
    },
  );

  test('a circle in the order is found', () => {
    const [first, second] = CLOSING_STEPS;
    const circle = [
      { ...first!, id: 'a', after: ['b'] },
      { ...second!, id: 'b', after: ['a'] },
    ];
    expect(() => inOrder(circle)).toThrow(CircularOrder);
  });
});

describe('the closing round', () => {
  test('each family gets the round that fits it', () => {
    // common practice: the order is the same everywhere; a guitar has no bow, a harp usually no case.
    expect(steps(usualFacts('violin'))).toEqual([
      'slacken',
      'wipe-stick',
      'wipe-strings',
      'wipe-rosin',
      'wipe-hands',
      'rest-off',
      'case',
      'latches',
    ]);
    expect(steps(usualFacts('viola'))).toEqual(steps(usualFacts('violin')));
    expect(steps(usualFacts('cello'))).toEqual([
      'slacken',
      'wipe-stick',
      'wipe-strings',
      'wipe-rosin',
      'wipe-hands',
      'endpin-in',
      'case',
      'latches',
    ]);
    expect(steps(usualFacts('bass'))).toEqual(steps(usualFacts('cello')));
    for (const kind of ['steel', 'classical', 'electric'] as const)
      expect(steps(usualFacts('guitar', kind))).toEqual(['wipe-strings', 'wipe-hands', 'case', 'latches']);
    for (const kind of ['lever', 'pedal'] as const)
      expect(steps(usualFacts('harp', kind))).toEqual(['wipe-strings', 'wipe-hands']);
  });

  test('each round reads as written for that instrument', () => {
    const text = (facts: InstrumentFacts) =>
      closingRound(situation(facts))
        .flatMap(({ data }) => [data.title, ...data.how, data.why])
        .join(' ');
    expect(text(usualFacts('harp', 'pedal'))).not.toMatch(/bow|rosin|bridge/i);
    expect(text(usualFacts('guitar', 'classical'))).not.toMatch(/\bbow\b|rosin|steel/i);
    expect(text(usualFacts('violin'))).not.toMatch(/endpin|zip the|nylon/i);
    expect(text(usualFacts('cello'))).toMatch(/knees/);
    expect(text(usualFacts('bass'))).toMatch(/leant/);
    expect(text(withSetUp('cello', { case: 'hard' }))).toMatch(/Every latch/);
    expect(text(usualFacts('cello'))).toMatch(/Scroll first/);
  });

  test('set-up decides: rest kind, case, stand, endpin', () => {
    expect(steps(withSetUp('violin', { shoulderRest: 'none', case: 'none' }))).toHaveLength(5);
    const pad = closingRound(situation(withSetUp('violin', { shoulderRest: 'pad' })));
    expect(pad.find(({ step }) => step === 'rest-off')?.data.title).toBe('Pad off');
    expect(steps(withSetUp('cello', { endpin: false }))).not.toContain('endpin-in');
    const standing = withSetUp('guitar', { stand: true });
    expect(steps(standing)).toContain('case');
    expect(steps(standing, schoolsFor('guitar', { kept: 'B' }))).toEqual(['wipe-strings', 'wipe-hands', 'stand']);
    expect(steps(usualFacts('guitar'), schoolsFor('guitar', { kept: 'B' }))).toContain('case');
  });

  test('every constraint holds, for every instrument, school and log', () => {
    fc.assert(
      fc.property(anyFacts, anySchools, anyLog, (facts, schools, events) => {
        const round = closingRound(situation(facts, events, schools));
        const at = new Map(ids(round).map((step, index) => [step, index]));
        for (const { step, data } of round) {
          for (const earlier of data.after ?? []) {
            if (at.has(earlier)) expect(at.get(earlier)!).toBeLessThan(at.get(step)!);
          }
          expect(applies(data.for, facts, schools)).toBe(true);
        }
        // common practice: bow slack before the case, rest off before the lid, latches before lifting.
        const before = (first: StepId, then: StepId) =>
          !at.has(first) || !at.has(then) || at.get(first)! < at.get(then)!;
        expect(before('slacken', 'case') && before('rest-off', 'case') && before('case', 'latches')).toBe(true);
        expect(before('humidifier', 'case') && before('endpin-in', 'case')).toBe(true);
      }),
      { numRuns: 200 },
    );
  });

  test('nothing due is dropped, and nothing that is not due is added', () => {
    fc.assert(
      fc.property(anyFacts, anySchools, anyLog, (facts, schools, events) => {
        const here = situation(facts, events, schools);
        const round = ids(closingRound(here));
        const everyday = everydaySteps(facts, schools);
        expect(everyday.every((step) => round.includes(step))).toBe(true);
        for (const data of CLOSING_STEPS) {
          if (!data.due || data.due.withStrings || !applies(data.for, facts, schools)) continue;
          const marks = here.log.steps.filter(({ step, done }) => done && step === data.id).map(({ at }) => at);
          const from = marks.at(-1) ?? here.log.sessions[0]?.beganAt ?? NOW;
          expect(round.includes(data.id)).toBe(NOW - from >= data.due.everyDays * DAY_MS);
        }
      }),
      { numRuns: 200 },
    );
  });

  test('turning a school changes only what it should', () => {
    /** Steps a school may touch; the wording or place of any other step stays. */
    const touches: Record<SchoolId, readonly StepId[]> = {
      place: [],
      rosinEnds: [],
      slack: ['slacken'],
      cloths: ['wipe-rosin', 'wipe-hands'],
      kept: ['case', 'latches', 'stand'],
      cleaner: ['weekly-clean', 'wipe-stick', 'wipe-rosin', 'wipe-hands'],
      frogHair: [],
      checkup: [],
    };
    fc.assert(
      fc.property(anyFacts, anySchools, anyLog, fc.constantFrom(...SCHOOLS), (facts, schools, events, turned) => {
        const other = { ...schools, [turned]: schools[turned] === 'A' ? 'B' : 'A' } as Schools;
        const seen = (side: Schools) =>
          closingRound(situation(facts, events, side))
            .filter(({ step }) => !touches[turned].includes(step))
            .map(({ step, data, because }) => [step, data.how, because]);
        expect(seen(other)).toEqual(seen(schools));
        if (!schoolsOf(facts.family).includes(turned))
          expect(closingRound(situation(facts, events, other))).toEqual(
            closingRound(situation(facts, events, schools)),
          );
      }),
      { numRuns: 200 },
    );
  });

  test('with one cloth the rosin zones come after hands’ places', () => {
    const round = steps(usualFacts('violin'), schoolsFor('violin', { cloths: 'B' }));
    expect(round.indexOf('wipe-rosin')).toBeGreaterThan(round.indexOf('wipe-hands'));
    expect([...round].sort()).toEqual([...steps(usualFacts('violin'))].sort());
  });

  test('residue that has begun to harden is chased, with the rung that still works', () => {
    const { session, event } = scribe();
    const events = [
      ...session(NOW - 8 * DAY_MS, 1),
      ...(['wipe-stick', 'wipe-rosin', 'wipe-hands'] as const).map((step) =>
        event('step-done', NOW - 7 * DAY_MS, { step, sessionId: null }),
      ),
    ];
    const round = closingRound(situation(usualFacts('violin'), events));
    const found = round.find(({ step }) => step === 'wipe-strings')?.because;
    expect(found).toMatchObject({ code: 'residue', residue: { state: 'settling' }, rung: { rung: 2 } });
    expect(round.find(({ step }) => step === 'wipe-hands')?.because).toBeNull();
  });

  test('a child’s cleaner is an adult’s work', () => {
    const { session } = scribe();
    const who = (player: 'adult' | 'child') => {
      const facts = withSetUp('violin', { player });
      const here = situation(facts, session(NOW - 30 * DAY_MS, 1), schoolsFor('violin', { cleaner: 'B' }));
      return closingRound(here).find(({ step }) => step === 'weekly-clean')?.who;
    };
    expect(who('child')).toBe('adult');
    expect(who('adult')).toBe('player');
  });

  test('a guitar’s fretboard comes with new strings, twice a year at most', () => {
    const { session, event } = scribe();
    const spent: LogEvent[] = [
      event('strings-fitted', NOW - 900 * DAY_MS, { strings: null, reason: 'worn', known: true }),
      ...session(NOW - DAY_MS, 1),
    ];
    const has = (events: readonly LogEvent[]) =>
      ids(closingRound(situation(usualFacts('guitar'), events))).includes('fretboard');
    expect(has(spent)).toBe(true);
    expect(has([...spent, event('step-done', NOW - 30 * DAY_MS, { step: 'fretboard', sessionId: null })])).toBe(false);
    const fresh = event('strings-fitted', NOW - 2 * DAY_MS, { strings: null, reason: 'worn', known: true });
    expect(has([...spent, fresh])).toBe(false);
  });
});

describe('a round under way', () => {
  const { event, session } = scribe();
  const [began, ended] = session(NOW - 2 * HOUR_MS, 1);
  const at = Date.parse(ended.occurredAt);
  const step = (id: StepId, done = true) =>
    event(done ? 'step-done' : 'step-skipped', at + 1000, { step: id, sessionId: began.id });
  const round = (...events: LogEvent[]) => openRound(situation(usualFacts('violin'), events));

  test('begins at the first step and goes on at the first not recorded', () => {
    expect(round(began, ended)?.next.step).toBe('slacken');
    expect(round(began, ended, step('slacken'))).toMatchObject({ next: { step: 'wipe-stick' }, behind: 1 });
    expect(round(began, ended, step('slacken'), step('wipe-stick', false))?.next.step).toBe('wipe-strings');
  });

  test('is over when every step is recorded, done or skipped', () => {
    const all = everydaySteps(usualFacts('violin'), schoolsFor('violin')).map((id) => step(id, false));
    expect(round(began, ended, ...all)).toBeNull();
    expect(round(began, ended, ...all.slice(1))?.next.step).toBe('slacken');
  });

  test('an extra done in it stays part of it', () => {
    const old = session(NOW - 40 * DAY_MS, 1);
    const before = round(...old, began, ended)!;
    expect(ids(before.steps)).toContain('under-tailpiece');
    const after = round(...old, began, ended, step('under-tailpiece'))!;
    expect(ids(after.steps)).toEqual(ids(before.steps));
  });

  test('waits half a day, no longer; and not while playing, nor after a session entered afterwards', () => {
    expect(round(began)).toBeNull();
    expect(round(...session(NOW - 14 * HOUR_MS, 1))).toBeNull();
    expect(
      round(event('session-entered', NOW - 2 * HOUR_MS, { endedAt: new Date(NOW - HOUR_MS).toISOString() })),
    ).toBeNull();
  });

  test('a step answered twice stands as answered last', () => {
    const later = event('step-done', at + 9000, { step: 'slacken', sessionId: began.id });
    const log = foldLog([began, ended, later, step('slacken', false)], NOW, 'UTC');
    expect(roundRecords(log, log.sessions[0]!).get('slacken')?.done).toBe(true);
  });

  test('recorded on two devices, a step done on either is done', () => {
    const [other, otherEnd] = session(NOW - 1.9 * HOUR_MS, 0.8);
    const skipped = event('step-skipped', at + 9000, { step: 'slacken', sessionId: other.id });
    const events = [began, ended, other, otherEnd, step('slacken'), skipped];
    const log = foldLog(events, NOW, 'UTC');
    expect(log.sessions).toHaveLength(1);
    expect(roundRecords(log, log.sessions[0]!).get('slacken')?.done).toBe(true);
    expect(round(...events)).toMatchObject({ next: { step: 'wipe-stick' } });
  });
});

describe('the opening round', () => {
  const { session, event } = scribe();
  const usual: LogEvent[] = [
    event('rosined', NOW - 20 * DAY_MS, {}),
    ...Array.from({ length: 6 }, (_, at) => {
      const [began, ended] = session(NOW - (at + 1) * DAY_MS, 0.25);
      return [
        began,
        ended,
        event('step-done', ended.occurredAt, { step: 'slacken', sessionId: began.id }),
        event('rosined', Date.parse(began.occurredAt) - 60_000, {}),
      ];
    }).flat(),
    event('measured', NOW - 10 * DAY_MS, { figure: 'rest-left', value: 32 }),
    event('measured', NOW - 10 * DAY_MS, { figure: 'endpin-length', value: 310 }),
  ];
  const standing = (events: readonly LogEvent[], facts = usualFacts('violin')) =>
    openingRound(situation(facts, events)).flatMap(({ step, because }) => (because ? [[step, because.code]] : []));

  test('on an ordinary day nothing stands out', () => {
    expect(standing(usual)).toEqual([]);
    expect(standing(usual, usualFacts('cello'))).toEqual([]);
  });

  test('the first evenings spell everything out', () => {
    expect(standing([])).toHaveLength(8);
    expect(new Set(standing([]).map(([, code]) => code))).toEqual(new Set(['learning', 'not-measured']));
  });

  test('what is unusual today stands out with its reason', () => {
    const strings = event('strings-fitted', NOW - DAY_MS, { strings: null, reason: 'worn', known: true });
    expect(standing([...usual, strings])).toEqual([
      ['tune', 'new-strings'],
      ['glance', 'new-strings'],
    ]);
    const tight = session(NOW - 5 * HOUR_MS, 0.2);
    expect(standing([...usual, ...tight])).toEqual([['tighten', 'left-tight']]);
    expect(standing([...usual, ...session(NOW - 5 * HOUR_MS, 1.5)])).toContainEqual(['rosin', 'rosin']);
    const turns = (daysAgo: number, value: number) =>
      event('measured', NOW - daysAgo * DAY_MS, { figure: 'bow-turns', value });
    expect(standing([...usual, turns(200, 6), turns(1, 8)])).toEqual([['tighten', 'more-turns']]);
    expect(standing([...usual, turns(200, 6), turns(1, 7)])).toEqual([]);
    expect(standing([...usual, turns(200, 6), turns(30, 9)])).toEqual([]);
  });

  test('a measure nobody takes is not asked for for ever', () => {
    const unmeasured = usual.filter(({ type }) => type !== 'measured');
    expect(standing(unmeasured)).toEqual([['rest-on', 'not-measured']]);
    const more = Array.from({ length: 6 }, (_, at) => {
      const [began, ended] = session(NOW - (at + 10) * DAY_MS, 0.1);
      return [began, ended, event('step-done', ended.occurredAt, { step: 'slacken', sessionId: began.id })];
    }).flat();
    expect(standing([...unmeasured, ...more])).toEqual([]);
  });

  test('hands are dry before anything is touched; tuning comes before the glance at the bridge', () => {
    fc.assert(
      fc.property(anyFacts, anySchools, (facts, schools) => {
        const round = ids(openingRound(situation(facts, [], schools)));
        const before = (a: (typeof round)[number], b: (typeof round)[number]) =>
          !round.includes(a) || !round.includes(b) || round.indexOf(a) < round.indexOf(b);
        for (const touching of ['unpack', 'tighten', 'rosin', 'rest-on', 'tune'] as const)
          expect(before('hands', touching)).toBe(true);
        expect(before('tighten', 'rosin') && before('tune', 'glance')).toBe(true);
      }),
    );
  });

  test('large instruments in soft cases: the bow comes out first', () => {
    const unpack = (kept: 'hard' | 'soft') =>
      openingRound(situation(withSetUp('cello', { case: kept }))).find(({ step }) => step === 'unpack')!.data.title;
    expect(unpack('soft')).toBe('Bow out first');
    expect(unpack('hard')).not.toBe('Bow out first');
  });

  test('a child’s rest is measured again as the child grows', () => {
    const old = usual.map((each) =>
      each.type === 'measured' ? { ...each, occurredAt: new Date(NOW - 200 * DAY_MS).toISOString() } : each,
    );
    expect(standing(old, withSetUp('violin', { player: 'child' }))).toEqual([['rest-on', 'measure-again']]);
    expect(standing(old)).toEqual([]);
  });
});

test('before a journey: bow, rest, loose things, latches, and never the parked car', () => {
  expect(ids(packingRound(situation(usualFacts('violin'))))).toEqual([
    'pack-bow',
    'pack-rest',
    'pack-loose',
    'pack-latches',
    'pack-car',
  ]);
  expect(ids(packingRound(situation(usualFacts('harp'))))).toEqual(['pack-carry', 'pack-car']);
  expect(ids(packingRound(situation(usualFacts('cello'))))).toContain('pack-endpin');
});

test('strings are named by their notes, a harp’s by number from the top', () => {
  expect(stringNames(usualFacts('cello'))).toEqual(['C', 'G', 'D', 'A']);
  expect(stringNames(usualFacts('guitar'))).toHaveLength(6);
  const harp = stringNames(usualFacts('harp', 'pedal'));
  expect([harp[0], harp.at(-1)]).toEqual(['47', '1']);
});
