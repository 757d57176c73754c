import fc from 'fast-check';
import { firstPlayedAfter, foldLog, hoursBetween, hoursUntil } from '.';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../time';
import { scribe } from '../testing/events';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const START = NOW - 10 * DAY_MS;
const spans = fc.array(fc.tuple(fc.nat(9 * 1440), fc.integer({ min: 1, max: 180 })), { maxLength: 20 });
const playingOf = (plan: readonly (readonly [number, number])[]) => {
  const { session } = scribe();
  return foldLog(
    plan.flatMap(([from, minutes]) => session(START + from * MINUTE_MS, minutes / 60)),
    NOW,
    'UTC',
  ).playing;
};

test('stretches are in order and do not touch', () => {
  fc.assert(
    fc.property(spans, (plan) => {
      const { begins, ends } = playingOf(plan);
      begins.forEach((begin, at) => {
        expect(ends[at]!).toBeGreaterThan(begin);
        if (at > 0) expect(begin).toBeGreaterThan(ends[at - 1]!);
      });
    }),
  );
});

test('hours add up over any cut, never shrink, and never exceed the time that passed', () => {
  fc.assert(
    fc.property(spans, fc.tuple(fc.nat(14400), fc.nat(14400), fc.nat(14400)), (plan, cuts) => {
      const playing = playingOf(plan);
      const [a, b, c] = cuts.sort((x, y) => x - y).map((minute) => START + minute * MINUTE_MS) as [
        number,
        number,
        number,
      ];
      expect(hoursBetween(playing, a, b) + hoursBetween(playing, b, c)).toBeCloseTo(hoursBetween(playing, a, c), 6);
      expect(hoursUntil(playing, b)).toBeGreaterThanOrEqual(hoursUntil(playing, a));
      expect(hoursBetween(playing, a, c)).toBeLessThanOrEqual((c - a) / HOUR_MS + 1e-9);
      expect(hoursBetween(playing, c, a)).toBe(0);
    }),
  );
});

test('the first playing after an instant is the earliest end past it', () => {
  fc.assert(
    fc.property(spans, fc.nat(14400), (plan, minute) => {
      const playing = playingOf(plan);
      const at = START + minute * MINUTE_MS;
      const later = playing.ends.filter((end) => end > at);
      expect(firstPlayedAfter(playing, at)).toBe(later.length === 0 ? null : Math.min(...later));
    }),
  );
});
