import fc from 'fast-check';
import { CLOSING_STEPS, closingRound, everydaySteps, openRound, roundRecords } from '.';
import { applies, usualFacts, type InstrumentFacts, schoolsFor, schoolsOf } from '../instruments';
import { foldLog, type LogEvent, type StepId } from '../log';
import { SCHOOLS, type SchoolId, type Schools } from '../schools';
import { scribe } from '../testing/events';
import { anyFacts, anyLog, anySchools, ids, NOW, situation, steps, withSetUp } from '../testing/situations';
import { DAY_MS, HOUR_MS } from '../time';

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
      air: [],
      changing: [],
      beforePlaying: [],
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
