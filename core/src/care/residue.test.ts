import fc from 'fast-check';
import { CAKED_DAYS, residueOf, SETTLING_DAYS } from '.';
import { usualFacts } from '../instruments';
import { foldLog, type LogEvent, type StepId } from '../log';
import { DAY_MS, HOUR_MS } from '../time';
import { scribe } from '../testing/events';

const NOW = Date.parse('2026-06-01T20:00:00.000Z');
const zones = (events: readonly LogEvent[], family: 'violin' | 'guitar' | 'harp' = 'violin') =>
  residueOf(usualFacts(family), foldLog(events, NOW, 'UTC'));

test('the zones are those the family’s closing round wipes', () => {
  expect(zones([]).map(({ step }) => step)).toEqual(['wipe-stick', 'wipe-strings', 'wipe-rosin', 'wipe-hands']);
  expect(zones([], 'guitar').map(({ step }) => step)).toEqual(['wipe-strings', 'wipe-hands']);
  expect(zones([], 'harp')).toEqual(zones([], 'guitar'));
});

test('never played, nothing lies there', () => {
  for (const zone of zones([])) expect(zone).toMatchObject({ minutes: 0, since: null, state: 'clean', wipedAt: null });
});

test('time unwiped runs from the end of the first session since the wipe', () => {
  const { session, event } = scribe();
  const wiped = event('step-done', NOW - 10 * DAY_MS, { step: 'wipe-strings', sessionId: null });
  const first = session(NOW - 9 * DAY_MS, 0.5);
  const events = [wiped, ...first, ...session(NOW - 4 * DAY_MS, 1)];
  const strings = zones(events)[1]!;
  expect(strings.since).toBe(Date.parse(first[1].occurredAt));
  expect(strings.minutes).toBeCloseTo(90, 6);
});

test('fresh, settling and caked by the days', () => {
  const { session } = scribe();
  const after = (days: number) => zones(session(NOW - days * DAY_MS - HOUR_MS, 1))[0]!.state;
  expect(after(SETTLING_DAYS - 0.01)).toBe('fresh');
  expect(after(SETTLING_DAYS)).toBe('settling');
  expect(after(CAKED_DAYS - 0.01)).toBe('settling');
  expect(after(CAKED_DAYS)).toBe('caked');
});

test('a wipe clears its own zone and no other, however the log arrives', () => {
  const steps: StepId[] = ['wipe-stick', 'wipe-strings', 'wipe-rosin', 'wipe-hands'];
  fc.assert(
    fc.property(fc.constantFrom(...steps), fc.integer({ min: 1, max: 40 }), fc.boolean(), (step, days, reversed) => {
      const { session, event } = scribe();
      const events: LogEvent[] = [
        ...session(NOW - days * DAY_MS, 0.75),
        event('step-done', NOW - HOUR_MS, { step, sessionId: null }),
      ];
      const found = zones(reversed ? [...events].reverse() : events);
      expect(found.filter(({ state }) => state === 'clean').map((zone) => zone.step)).toEqual([step]);
      for (const zone of found) expect(zone.minutes).toBeCloseTo(zone.step === step ? 0 : 45, 6);
    }),
  );
});
