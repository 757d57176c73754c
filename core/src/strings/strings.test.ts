import fc from 'fast-check';
import { stringLife, stringsOn } from '.';
import { FAMILIES, usualFacts } from '../instruments';
import { decisive, foldLog, type LogEvent } from '../log';
import { DAY_MS } from '../time';
import { wear, LIFE_LOG_SD } from '../wear';
import { scribe } from '../testing/events';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');

describe('the life of strings', () => {
  test('bowed families share one rule, guitars another', () => {
    for (const family of ['violin', 'viola', 'cello', 'bass'] as const) {
      expect(stringLife(family, null)).toEqual({ hours: 547, days: 547, logSd: LIFE_LOG_SD, basis: 'trade' });
    }
    expect(stringLife('guitar', 'steel')).toMatchObject({ hours: 183, days: 362, basis: 'trade' });
    expect(stringLife('guitar', 'electric')).toEqual(stringLife('guitar', 'steel'));
  });

  test('the two readings of each rule solve to its H and D', () => {
    // Derived: 365 days at 0.5 h and 182.5 days at 2 h both give u = 1; so do 182.5 at 0.5 h and 91.25 at 1.5 h.
    const bowed = stringLife('violin', null);
    expect(wear(bowed, 365 * 0.5, 365)).toBeCloseTo(1, 2);
    expect(wear(bowed, 182.5 * 2, 182.5)).toBeCloseTo(1, 2);
    const guitar = stringLife('guitar', 'steel');
    expect(wear(guitar, 182.5 * 0.5, 182.5)).toBeCloseTo(1, 2);
    expect(wear(guitar, 91.25 * 1.5, 91.25)).toBeCloseTo(1, 2);
  });

  test('every family has one', () => {
    for (const family of FAMILIES) {
      const { hours, days } = stringLife(family, usualFacts(family).kind);
      expect(Math.min(hours, days)).toBeGreaterThan(100);
    }
  });
});

describe('which string is on', () => {
  /** Fittings of single strings or sets at distinct times, some of unknown date. */
  const plans = fc.uniqueArray(
    fc.record({ day: fc.integer({ min: 1, max: 900 }), position: fc.option(fc.nat(3)), known: fc.boolean() }),
    { selector: ({ day }) => day, maxLength: 15 },
  );
  const logOf = (plan: readonly { day: number; position: number | null; known: boolean }[]) => {
    const { event } = scribe();
    const events: LogEvent[] = plan.map(({ day, position, known }) =>
      event('strings-fitted', NOW - day * DAY_MS, {
        strings: position === null ? null : [position],
        reason: 'worn',
        known,
      }),
    );
    return foldLog(events, NOW, 'UTC');
  };

  test('is the last known fitting that took in its position, else the last unknown one', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const on = stringsOn(logOf(plan), 4);
        expect(on.map(({ position }) => position)).toEqual([0, 1, 2, 3]);
        for (const { position, fitting } of on) {
          const about = plan.filter((each) => each.position === null || each.position === position);
          const pool = about.some(({ known }) => known) ? about.filter(({ known }) => known) : about;
          const expected = pool.length === 0 ? null : Math.min(...pool.map(({ day }) => day));
          expect(fitting && Math.round((NOW - fitting.at) / DAY_MS)).toBe(expected);
        }
      }),
    );
  });

  test('a whole set of known date leaves no string without one', () => {
    fc.assert(
      fc.property(plans, fc.integer({ min: 1000, max: 2000 }), (plan, day) => {
        const on = stringsOn(logOf([...plan, { day, position: null, known: true }]), 4);
        expect(on.every(({ fitting }) => fitting?.known)).toBe(true);
      }),
    );
  });
});

test('of marks, the last known one decides; of unknown ones only, the last', () => {
  const mark = (at: number, known: boolean) => ({ eventId: String(at), at, known });
  expect(decisive([])).toBeNull();
  expect(decisive([mark(1, false), mark(2, false)])?.at).toBe(2);
  expect(decisive([mark(1, true), mark(2, false)])?.at).toBe(1);
  expect(decisive([mark(1, true), mark(2, true), mark(3, false)])?.at).toBe(2);
});
