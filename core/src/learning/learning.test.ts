import { CASE_FAULT_DATA, drillsFor, missesOf, oftenMissed } from '.';
import { assess } from '../assess';
import { schoolsFor, usualFacts } from '../instruments';
import { foldLog, STEPS, type LogEvent, type StepId } from '../log';
import { closingRound } from '../routines';
import { scribe } from '../testing/events';
import { DAY_MS } from '../time';

const NOW = Date.parse('2026-06-01T20:00:00.000Z');

/** Evenings with one step each, done or skipped, newest last, and drills that missed steps. */
function logOf(evenings: readonly (readonly [StepId, boolean, number?])[], drills: readonly StepId[][] = []) {
  const { event, session } = scribe();
  return foldLog(
    [
      ...evenings.flatMap(([step, done, daysAgo = 3], at) => {
        const [began, ended] = session(NOW - daysAgo * DAY_MS + at * 60_000, 0.01);
        return [
          began,
          ended,
          event(done ? 'step-done' : 'step-skipped', ended.occurredAt, { step, sessionId: began.id }),
        ];
      }),
      ...drills.map((missed) =>
        event('drill-done', NOW - DAY_MS, { drill: 'order', right: 7 - missed.length, of: 7, missed: [...missed] }),
      ),
    ],
    NOW,
    'UTC',
  );
}

test('skips in rounds and misses in drills are counted together, the most missed first', () => {
  const log = logOf(
    [
      ['wipe-rosin', false],
      ['wipe-rosin', true],
      ['slacken', false],
    ],
    [['wipe-rosin', 'case'], ['wipe-rosin']],
  );
  expect(missesOf(log).slice(0, 2)).toEqual([
    { step: 'wipe-rosin', asked: 4, missed: 3 },
    { step: 'slacken', asked: 1, missed: 1 },
  ]);
});

test('a step gets more room when it is missed again and again, not once, and not for ever', () => {
  const room = (...evenings: (readonly [StepId, boolean, number?])[]) => [...oftenMissed(logOf(evenings))];
  expect(room(['slacken', false])).toEqual([]);
  expect(room(['slacken', false], ['slacken', false], ['slacken', true])).toEqual(['slacken']);
  expect(room(['slacken', false, 60], ['slacken', false, 60])).toEqual([]);
  const often = Array.from({ length: 10 }, () => ['slacken', true] as const);
  expect(room(...often, ['slacken', false], ['slacken', false])).toEqual([]);
});

test('what one person misses is not another’s; what nobody’s name stands on is everybody’s', () => {
  const { event, session } = scribe();
  const by = <E extends object>(made: E, who?: string): E => (who === undefined ? made : { ...made, by: who });
  const evening = (daysAgo: number, who?: string) => {
    const [began, ended] = session(NOW - daysAgo * DAY_MS, 0.5);
    const skipped = event('step-skipped', ended.occurredAt, { step: 'slacken', sessionId: began.id });
    return [by(began, who), by(ended, who), by(skipped, who)];
  };
  const drill = by(event('drill-done', NOW - DAY_MS, { drill: 'order', right: 6, of: 7, missed: ['case'] }), 'wren');
  const log = foldLog([...evening(5, 'wren'), ...evening(4, 'wren'), ...evening(3, 'pip'), drill], NOW, 'UTC');
  expect(missesOf(log, 'wren')).toMatchObject([
    { step: 'slacken', missed: 2 },
    { step: 'case', missed: 1 },
  ]);
  expect([...oftenMissed(log, 'wren')]).toEqual(['slacken']);
  expect([...oftenMissed(log, 'pip')]).toEqual([]);
  expect(missesOf(log)[0]).toMatchObject({ step: 'slacken', missed: 3 });
  const unnamed = foldLog([...evening(9), ...evening(3, 'pip')], NOW, 'UTC');
  expect([...oftenMissed(unnamed, 'pip')]).toEqual(['slacken']);
  expect(log.sessions.map(({ who }) => who)).toEqual(['wren', 'wren', 'pip']);
  // The closing round gives room to what who played this evening keeps missing.
  const roundOf = (events: LogEvent[]) => {
    const folded = foldLog(events, NOW, 'UTC');
    const violin = usualFacts('violin');
    const round = closingRound(
      assess(violin, folded, { schools: schoolsFor('violin'), observedFrom: NOW - 90 * DAY_MS }),
    );
    return round.find(({ step }) => step === 'slacken')!.emphasised;
  };
  const before = [...evening(5, 'wren'), ...evening(4, 'wren')];
  const tonight = (who: string) => session(NOW - 3_600_000, 0.5).map((each) => by(each, who));
  expect(roundOf([...before, ...tonight('wren')])).toBe(true);
  expect(roundOf([...before, ...tonight('pip')])).toBe(false);
});

test('drills are those that make sense for the instrument', () => {
  expect(drillsFor(usualFacts('violin'))).toEqual(['screw', 'order', 'case', 'zones']);
  expect(drillsFor(usualFacts('cello'))).toEqual(['screw', 'order', 'zones']);
  expect(drillsFor(usualFacts('harp'))).toEqual(['order', 'zones']);
});

test('every fault in a case belongs to a step that would have put it right', () => {
  for (const { step, why } of Object.values(CASE_FAULT_DATA)) {
    expect(STEPS).toContain(step);
    expect(why.length).toBeGreaterThan(10);
  }
});
