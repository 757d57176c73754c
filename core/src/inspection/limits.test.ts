import fc from 'fast-check';
import { usualFacts, type Family, type Figure, type Kind, type Verdict } from '../instruments';
import { DAY_MS } from '../time';
import { verdictOf, verdictOfAll, type Earlier, type LimitContext } from './limits';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const context = (
  family: Family,
  {
    kind,
    earlier = [],
    rehairedAt = null,
  }: { kind?: Kind; earlier?: readonly Earlier[]; rehairedAt?: number | null } = {},
): LimitContext => ({ facts: usualFacts(family, kind), earlier, rehairedAt, nowMs: NOW });
const before = (figure: Figure, value: number, days = 100): Earlier => ({ figure, value, at: NOW - days * DAY_MS });

describe('limits of the look-over', () => {
  // Handbook 9: 90° [common practice]; 1.5 and 4 degrees, 1 and 2 mm, 85 and 60 %, 10 cents, 1–2 mm of bend [from memory].
  test.each<[Figure, number, Verdict, Family]>([
    ['bridge-angle', 90, 'good', 'violin'],
    ['bridge-angle', 91.5, 'good', 'cello'],
    ['bridge-angle', 88, 'watch', 'violin'],
    ['bridge-angle', 94, 'watch', 'viola'],
    ['bridge-angle', 94.5, 'act', 'violin'],
    ['bridge-angle', 85, 'act', 'bass'],
    ['bridge-offset', 1, 'good', 'violin'],
    ['bridge-offset', 2, 'watch', 'violin'],
    ['bridge-offset', 2.5, 'act', 'violin'],
    ['bow-band-mid', 90, 'good', 'violin'],
    ['bow-band-tip', 85, 'watch', 'cello'],
    ['bow-band-frog', 60, 'watch', 'cello'],
    ['bow-band-frog', 55, 'act', 'cello'],
    ['bow-stick-bend', 1, 'good', 'violin'],
    ['bow-stick-bend', 2, 'watch', 'violin'],
    ['bow-stick-bend', 3, 'act', 'violin'],
    ['sharpened-off', 10, 'good', 'harp'],
    ['sharpened-off', 11, 'watch', 'harp'],
  ])('%s of %s: %s', (figure, value, verdict, family) => {
    expect(verdictOf({ figure, value }, context(family))).toBe(verdict);
  });

  // Handbook 9: steel 0.2–0.3, electric 0.15–0.25, classical 0.1–0.3; outside by 0.1; none at all or over 0.5 [from memory].
  test.each<[Kind, number, Verdict]>([
    ['steel', 0.25, 'good'],
    ['steel', 0.15, 'good'],
    ['steel', 0.1, 'watch'],
    ['steel', 0.4, 'watch'],
    ['electric', 0.35, 'watch'],
    ['classical', 0.1, 'good'],
    ['classical', 0.4, 'watch'],
    ['steel', 0, 'act'],
    ['classical', 0.55, 'act'],
  ])('relief of a %s guitar at %s mm: %s', (kind, value, verdict) => {
    expect(verdictOf({ figure: 'relief', value }, context('guitar', { kind }))).toBe(verdict);
  });

  test('strings over the board are judged by how they moved since last time', () => {
    const read = (family: Family, value: number, earlier: readonly Earlier[]) =>
      verdictOf({ figure: 'height-low', value }, context(family, { earlier }));
    const last = [before('height-low', 8, 300), before('height-low', 5.5)];
    expect(read('violin', 5.5, last)).toBe('good');
    expect(read('violin', 6.2, last)).toBe('watch');
    expect(read('violin', 6.6, last)).toBe('act');
    expect(read('cello', 6.6, last)).toBe('watch');
    expect(read('cello', 7.1, last)).toBe('act');
    // A first reading has nothing to have moved from: G 5.5 mm is usual [handbook 9].
    expect(read('violin', 6, [])).toBe('good');
    expect(read('violin', 8, [])).toBe('watch');
  });

  test('a guitar’s action is watched from 0.4 mm of change on', () => {
    const read = (value: number, earlier: readonly Earlier[]) =>
      verdictOf({ figure: 'action', value }, context('guitar', { kind: 'steel', earlier }));
    expect(read(2.7, [before('action', 2.4)])).toBe('good');
    expect(read(2.9, [before('action', 2.4)])).toBe('watch');
    expect(read(2.4, [])).toBe('good');
    expect(read(5, [])).toBe('watch');
  });

  test('turns are held against those this hair took first, broken hairs against the weeks', () => {
    const rehairedAt = NOW - 70 * DAY_MS;
    const earlier = [before('bow-turns', 9, 200), before('bow-turns', 6, 60), before('bow-turns', 7, 20)];
    const turns = (value: number) =>
      verdictOf({ figure: 'bow-turns', value }, context('violin', { earlier, rehairedAt }));
    expect([turns(7.5), turns(8)]).toEqual(['good', 'watch']);
    const broken = (value: number, since: Earlier[]) =>
      verdictOf({ figure: 'bow-hairs-broken', value }, context('violin', { earlier: since, rehairedAt }));
    // More than ten a week [handbook 9, from memory]: 70 days are ten weeks.
    expect([broken(100, []), broken(101, [])]).toEqual(['good', 'watch']);
    expect(broken(25, [before('bow-hairs-broken', 3, 14)])).toBe('watch');
    expect(verdictOf({ figure: 'bow-hairs-broken', value: 30 }, context('violin'))).toBeNull();
  });

  test('the worst of several readings counts; what says nothing does not', () => {
    const band = (...values: number[]) =>
      verdictOfAll(
        values.map((value, at) => ({
          figure: (['bow-band-tip', 'bow-band-mid', 'bow-band-frog'] as const)[at]!,
          value,
        })),
        context('violin'),
      );
    expect(band(95, 90, 88)).toBe('good');
    expect(band(95, 90, 70)).toBe('watch');
    expect(band(50, 90, 70)).toBe('act');
    expect(verdictOfAll([], context('violin'))).toBeNull();
    expect(verdictOf({ figure: 'bow-gap', value: 7 }, context('violin'))).toBeNull();
  });

  test('a bridge that leans more is never judged milder', () => {
    const rank = { good: 0, watch: 1, act: 2 };
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (lean, more) => {
          const of = (value: number) => rank[verdictOf({ figure: 'bridge-angle', value }, context('violin'))!];
          expect(of(90 + lean + more)).toBeGreaterThanOrEqual(of(90 + lean));
          expect(of(90 - lean)).toBe(of(90 + lean));
        },
      ),
    );
  });
});
