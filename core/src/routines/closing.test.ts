import { closingRound, openRound, roundRecords } from '.';
import { FAMILIES, stringNames, usualFacts, type Family } from '../instruments';
import { foldLog, type LogEvent } from '../log';
import { HOUR_MS } from '../time';
import { scribe } from '../testing/events';

const NOW = Date.parse('2026-06-01T20:00:00.000Z');
const steps = (family: Family, cloths: 'A' | 'B' = 'A') =>
  closingRound(usualFacts(family), cloths).map(({ step }) => step);

test('each family gets the round that fits it', () => {
  // common practice: the order is the same everywhere; a guitar has no bow, a harp usually no case.
  expect(steps('violin')).toEqual([
    'slacken',
    'wipe-stick',
    'wipe-strings',
    'wipe-rosin',
    'wipe-hands',
    'rest-off',
    'case',
  ]);
  expect(steps('viola')).toEqual(steps('violin'));
  expect(steps('cello')).toEqual(['slacken', 'wipe-stick', 'wipe-strings', 'wipe-rosin', 'wipe-hands', 'case']);
  expect(steps('bass')).toEqual(steps('cello'));
  expect(steps('guitar')).toEqual(['wipe-strings', 'wipe-hands', 'case']);
  expect(steps('harp')).toEqual(['wipe-strings', 'wipe-hands']);
});

test('bow slack and rest off come before the case, in every family and school', () => {
  for (const family of FAMILIES) {
    for (const cloths of ['A', 'B'] as const) {
      const round = steps(family, cloths);
      const before = (first: (typeof round)[number], then: (typeof round)[number]) =>
        !round.includes(first) || !round.includes(then) || round.indexOf(first) < round.indexOf(then);
      expect(before('slacken', 'case') && before('rest-off', 'case') && before('wipe-strings', 'case')).toBe(true);
      expect([...round].sort()).toEqual([...steps(family)].sort());
    }
  }
});

test('with one cloth the rosin zones come last of the wiping', () => {
  const round = steps('violin', 'B');
  expect(round.indexOf('wipe-rosin')).toBeGreaterThan(round.indexOf('wipe-hands'));
});

test('an instrument without rest or case has no such step', () => {
  const facts = { ...usualFacts('violin'), setUp: { shoulderRest: false, case: 'none' as const } };
  expect(closingRound(facts, 'A').map(({ step }) => step)).not.toEqual(expect.arrayContaining(['rest-off']));
  expect(closingRound(facts, 'A')).toHaveLength(5);
});

describe('a round under way', () => {
  const { event, session } = scribe();
  const [began, ended] = session(NOW - 2 * HOUR_MS, 1);
  const at = Date.parse(ended.occurredAt);
  const step = (id: 'slacken' | 'wipe-stick', done = true) =>
    event(done ? 'step-done' : 'step-skipped', at + 1000, { step: id, sessionId: began.id });
  const round = (...events: LogEvent[]) => openRound(usualFacts('violin'), 'A', foldLog(events, NOW, 'UTC'));

  test('begins at the first step and goes on at the first not recorded', () => {
    expect(round(began, ended)?.next.step).toBe('slacken');
    expect(round(began, ended, step('slacken'))).toMatchObject({ next: { step: 'wipe-stick' }, behind: 1 });
    expect(round(began, ended, step('slacken'), step('wipe-stick', false))?.next.step).toBe('wipe-strings');
  });

  test('is over when every step is recorded, done or skipped', () => {
    const all = closingRound(usualFacts('violin'), 'A').map(({ step: id }) =>
      event('step-skipped', at + 1000, { step: id, sessionId: began.id }),
    );
    expect(round(began, ended, ...all)).toBeNull();
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
    expect(roundRecords(log, began.id).get('slacken')?.done).toBe(true);
  });
});

test('strings are named by their notes, a harp’s by number from the top', () => {
  expect(stringNames(usualFacts('cello'))).toEqual(['C', 'G', 'D', 'A']);
  expect(stringNames(usualFacts('guitar'))).toHaveLength(6);
  const harp = stringNames(usualFacts('harp', 'pedal'));
  expect([harp[0], harp.at(-1)]).toEqual(['47', '1']);
});
