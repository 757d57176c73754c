import fc from 'fast-check';
import { openingRound, packingRound } from '.';
import { usualFacts } from '../instruments';
import type { LogEvent } from '../log';
import { scribe } from '../testing/events';
import { anyFacts, anySchools, ids, NOW, situation, withSetUp } from '../testing/situations';
import { DAY_MS, HOUR_MS } from '../time';

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
