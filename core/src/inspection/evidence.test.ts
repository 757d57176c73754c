import fc from 'fast-check';
import { usualFacts } from '../instruments';
import { type LogEvent } from '../log';
import { threadOf } from '../parts';
import { dailySessions, scribe } from '../testing/events';
import { seen } from '../testing/looks';
import { NOW, situation } from '../testing/situations';
import { DAY_MS } from '../time';
import { seenLife, type Life } from '../wear';
import { shareByBand } from './evidence';

const ago = (days: number) => NOW - days * DAY_MS;
const { event } = scribe('00000000-0000-4000-8000-0000000000ff');
const own = (id: number) => ({ id: `00000000-0000-4000-8000-0000000a${String(id).padStart(4, '0')}` });
const rehaired = { ...event('rehaired', ago(400), { reason: 'worn', known: true }), ...own(1) };
const played = dailySessions('2025-04-27', 400, 0.5);
const band = (days: number, mid: number, id = 2): LogEvent => ({
  ...event('looked-at', ago(days), {
    ...seen('hair-band', mid < 60 ? 'act' : mid <= 85 ? 'watch' : 'good'),
    figures: [{ figure: 'bow-band-mid', value: mid }],
  }),
  ...own(id),
});
const hair = (...events: LogEvent[]) =>
  threadOf(situation(usualFacts('violin'), [rehaired, ...played, ...events]).threads, 'hair')!;
const strings = (...events: LogEvent[]) =>
  threadOf(situation(usualFacts('violin'), [...played, ...events]).threads, 'strings')!;

describe('what is seen of hair', () => {
  test('a band as wide as its age would have it leaves the window about where it was', () => {
    const plain = hair();
    // 200 h and 400 days are 200/727 + 400/1466 = 0.55 of the life, and never slackened 0.2 more: a band of 70 % says the same.
    const usual = hair(band(1, 70));
    expect(Math.abs(usual.window!.middle - plain.window!.middle) / DAY_MS).toBeLessThan(60);
    expect(usual.unseen!.middle).toBeCloseTo(plain.window!.middle, -9);
  });

  test('a narrow band pulls the window in, a wide one lets it out', () => {
    const plain = hair();
    const narrow = hair(band(1, 60));
    const wide = hair(band(1, 97));
    expect(narrow.window!.middle).toBeLessThan(plain.window!.middle - 60 * DAY_MS);
    expect(wide.window!.middle).toBeGreaterThan(plain.window!.middle);
    expect(narrow.unseen).toEqual(plain.window);
    expect(plain.unseen).toBeNull();
  });

  test('less than sixty percent is due now, and new hair forgets it', () => {
    expect(hair(band(1, 50))).toMatchObject({ state: 'now', found: [{ look: 'hair-band', verdict: 'act' }] });
    const renewed = { ...event('rehaired', ago(0.5), { reason: 'worn', known: true }), ...own(3) };
    expect(hair(band(1, 50), renewed)).toMatchObject({ state: 'well', found: [], unseen: null });
  });

  test('hairs that break fast pull it in, a few do not', () => {
    const broken = (value: number): LogEvent => ({
      ...event('looked-at', ago(1), {
        ...seen('hair-count', 'watch'),
        figures: [{ figure: 'bow-hairs-broken', value }],
      }),
      ...own(4),
    });
    expect(hair(broken(3)).window).toEqual(hair().window);
    expect(hair(broken(60)).window!.middle).toBeLessThan(hair().window!.middle);
  });

  test('settled as a false alarm it is no longer open; the reading stays a reading', () => {
    const found = band(5, 50);
    const settled: LogEvent = {
      ...event('finding-settled', ago(1), { findingId: found.id, how: 'false-alarm' }),
      ...own(5),
    };
    expect(hair(found, settled).found).toEqual([]);
  });

  test('the yearly look is had with it, whatever was found', () => {
    const look = (...events: LogEvent[]) =>
      threadOf(situation(usualFacts('violin'), [rehaired, ...events]).threads, 'hair-look');
    expect(look()?.state).toBe('now');
    expect(look(band(1, 95))).toMatchObject({ state: 'well', since: 'looked-over' });
    expect(look(band(1, 80))).toMatchObject({ state: 'well', since: 'looked-over' });
  });

  test('a band is spent at sixty percent; the narrower it is, the more is behind it', () => {
    const share = (mid: number) =>
      shareByBand({ verdict: 'watch', figures: [{ figure: 'bow-band-mid', value: mid }] })!.share;
    expect(share(60)).toBeCloseTo(1, 10);
    expect(share(80)).toBeCloseTo(0.5, 10);
    expect(shareByBand({ verdict: 'good', figures: [] })).toBeNull();
    expect(shareByBand({ verdict: 'act', figures: [] })!.share).toBeGreaterThan(1);
  });
});

describe('what is seen of strings', () => {
  const fitted: LogEvent = {
    ...event('strings-fitted', ago(150), { strings: null, reason: 'worn', known: true }),
    ...own(6),
  };
  const looked = (verdict: 'good' | 'watch' | 'act', string: number | null = null): LogEvent => ({
    ...event('looked-at', ago(1), { ...seen('strings', verdict), string }),
    ...own(7),
  });

  test('still good is evidence that they last; dull brings the window nearer; frayed is now', () => {
    const plain = strings(fitted);
    expect(strings(fitted, looked('good')).window!.early).toBeGreaterThan(plain.window!.early);
    const dull = strings(fitted, looked('watch'));
    expect(dull.window!.middle).toBeLessThan(plain.window!.middle);
    expect(dull.state).not.toBe('well');
    expect(strings(fitted, looked('act'))).toMatchObject({ state: 'now', found: [{ look: 'strings' }] });
  });

  test('one that is frayed says nothing of the others', () => {
    const { on } = strings(fitted, looked('watch', 3));
    expect(on[3]!.window!.middle).toBeLessThan(on[0]!.window!.middle);
    expect(on[0]!.window).toEqual(strings(fitted).on[0]!.window);
  });
});

describe('a life that was seen', () => {
  const life: Life = { hours: 700, days: 1400, logSd: 0.35 };

  test('is the precision-weighted mean of rule and sight', () => {
    // Common practice: two normals with equal precision meet in the middle, with 1/√2 of the spread.
    const twice = seenLife(life, [{ share: 0.5, wear: 1, logSd: 0.35 }]);
    expect(twice.hours / 700).toBeCloseTo(Math.SQRT2, 10);
    expect(twice.logSd).toBeCloseTo(0.35 / Math.SQRT2, 10);
    expect(seenLife(life, [])).toBe(life);
  });

  test('never grows less certain, and lies between what rule and sight say', () => {
    const positive = fc.double({ min: 0.05, max: 3, noNaN: true });
    fc.assert(
      fc.property(positive, positive, fc.double({ min: 0.05, max: 2, noNaN: true }), (share, wear, logSd) => {
        const after = seenLife(life, [{ share, wear, logSd }]);
        const factor = after.hours / life.hours;
        const told = wear / share;
        expect(after.logSd).toBeLessThan(life.logSd);
        expect(factor).toBeGreaterThanOrEqual(Math.min(1, told) - 1e-9);
        expect(factor).toBeLessThanOrEqual(Math.max(1, told) + 1e-9);
        expect(after.days / life.days).toBeCloseTo(factor, 10);
      }),
    );
  });
});

describe('what the workshop is to see to', () => {
  const checkup = (...events: LogEvent[]) => threadOf(situation(usualFacts('violin'), events).threads, 'checkup')!;
  const had: LogEvent = { ...event('checked-up', ago(30), { known: true }), ...own(8) };
  const found = (look: 'seams' | 'pegs' | 'post' | 'chin-rest', verdict: 'watch' | 'act'): LogEvent => ({
    ...event('looked-at', ago(2), seen(look, verdict)),
    ...own(9),
  });

  test('joins the next visit; what cannot wait brings the visit near', () => {
    const plain = checkup(had);
    expect(checkup(had, found('pegs', 'act'))).toMatchObject({ state: 'soon', pressed: false, window: plain.window });
    const seam = checkup(had, found('seams', 'act'));
    expect(seam).toMatchObject({ pressed: true, found: [{ look: 'seams' }] });
    expect((seam.window!.middle - NOW) / DAY_MS).toBeCloseTo(5, 5);
    const post = checkup(had, found('post', 'act'));
    expect(post).toMatchObject({ state: 'now', pressed: true });
    expect(checkup(had, found('chin-rest', 'act'))).toMatchObject({ state: plain.state, found: [] });
  });

  test('is planned even where nobody knows of an earlier checkup', () => {
    expect(checkup(found('seams', 'act'))).toMatchObject({ pressed: true, from: ago(2), dateMissing: true });
    expect(checkup(found('pegs', 'act'))).toMatchObject({ state: 'soon', window: null });
  });
});
