import { FAMILIES, schoolsFor, usualFacts, type Family } from '../instruments';
import { foldLog, lastDone } from '../log';
import { missesOf } from '../learning';
import { openingRound, openRound } from '../routines';
import { scribe } from '../testing/events';
import { DAY_MS, HOUR_MS } from '../time';
import { assess, type Assessment } from './assessment';
import { recentOf, RECENT_DAYS } from './recent';

const NOW = Date.parse('2026-06-01T21:00:00.000Z');
const DAYS = 400;

/** More than a year of evenings with their rounds; the strings were wiped with spirit once, long ago, the last round is half done. */
function played(family: Family = 'violin', days = DAYS): Assessment {
  const { event, session } = scribe();
  const events = Array.from({ length: days }, (_, back) => {
    const [began, ended] = session(NOW - (days - 1 - back) * DAY_MS - 2 * HOUR_MS, 1);
    const at = Date.parse(ended.occurredAt) + 60_000;
    const sessionId = began.id;
    return [
      began,
      ended,
      event('step-done', at, { step: 'slacken', sessionId }),
      ...(back % 3 === 0 ? [event('step-skipped', at, { step: 'wipe-strings', sessionId })] : []),
      ...(back === 3 ? [event('step-done', at, { step: 'latches', sessionId })] : []),
      ...(back % 5 === 0 ? [event('rosined', Date.parse(began.occurredAt), {})] : []),
    ];
  }).flat();
  const facts = usualFacts(family);
  return assess(facts, foldLog(events, NOW, 'UTC'), {
    schools: schoolsFor(family),
    observedFrom: NOW - days * DAY_MS,
  });
}

const whole = played();
const recent = recentOf(whole);

test('of the log it has the last weeks, and weighs a fraction', () => {
  expect(whole.log.sessions).toHaveLength(DAYS);
  expect(recent.log.sessions).toHaveLength(RECENT_DAYS);
  expect(recent.log.steps.length).toBeLessThan(RECENT_DAYS * 2);
  expect(JSON.stringify(recent.log).length).toBeLessThan(JSON.stringify(whole.log).length / 3);
  expect(recent.threads).toBe(whole.threads);
});

test('what the stand tells rests on nothing that is left out', () => {
  expect(openRound(whole)).not.toBeNull();
  expect(openRound(recent)).toEqual({ ...openRound(whole)!, session: recent.log.sessions.at(-1) });
  expect(openingRound(recent)).toEqual(openingRound(whole));
  expect(missesOf(recent.log)).toEqual(missesOf(whole.log));
  // Done once, more than a year ago: it is not due as if it never had been.
  for (const step of ['slacken', 'wipe-strings', 'latches'] as const)
    expect(lastDone(recent.log, step)).toBe(lastDone(whole.log, step));
  expect(lastDone(recent.log, 'latches')).not.toBeNull();
});

test('the one bow’s log is the instrument’s own, kept once', () => {
  expect(recent.bows[0]!.log).toBe(recent.log);
});

test.each(FAMILIES)('of a %s it is the same once written and read, played and never played', (family) => {
  for (const days of [0, 1, DAYS]) {
    const kept = recentOf(played(family, days));
    expect(JSON.parse(JSON.stringify(kept))).toEqual(kept);
  }
});
