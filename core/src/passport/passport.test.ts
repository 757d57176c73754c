import fc from 'fast-check';
import { airByMonth, identitySchema, PASSPORT_BOUNDS, passportOf, passportSchema } from '.';
import { isViewed, usualFacts, VIEW_DATA, VIEWS, viewsOf } from '../instruments';
import { scribe } from '../testing/events';
import { seen } from '../testing/looks';
import { anyFacts, anyLog, NOW, situation } from '../testing/situations';
import { DAY_MS, HOUR_MS } from '../time';
import { stateOf } from '../views';

const { event, session } = scribe();
const at = (daysAgo: number) => NOW - daysAgo * DAY_MS;
const hash = (n: number) => n.toString(16).padStart(64, '0');
const violin = usualFacts('violin');

test('a passport tells the whole life, the newest first', () => {
  const seam = event('looked-at', at(200), seen('seams', 'act'));
  const stay = event('brought-in', at(190), { visitId: null, expected: null });
  const passport = passportOf(
    situation(violin, [
      ...session(at(300), 2),
      ...session(at(1), 1),
      event('strings-fitted', at(250), { strings: null, reason: 'worn', known: true }),
      event('strings-fitted', at(50), { strings: [3], reason: 'broke', known: true }),
      event('rehaired', at(80), { reason: 'worn', known: true }),
      event('checked-up', at(70), { known: true }),
      event('measured', at(300), { figure: 'rest-left', value: 30 }),
      event('measured', at(30), { figure: 'rest-left', value: 34 }),
      seam,
      event('looked-at', at(199), seen('pegs', 'good')),
      event('finding-settled', at(180), { findingId: seam.id, how: 'mended' }),
      stay,
      event('fetched-back', at(181), { stayId: stay.id }),
      event('worked-on', at(181), {
        by: 'workshop',
        words: 'Glued a seam',
        part: null,
        cost: { amount: 30, currency: 'EUR' },
        visitId: null,
      }),
      event('knocked', at(201), {}),
    ]),
    [],
  );
  expect(passport).toMatchObject({ hours: 3, sessions: 2, played: { first: at(300), last: at(1) } });
  expect(passport.strings.map(({ strings }) => strings)).toEqual([[3], null]);
  expect(passport.figures).toMatchObject([{ figure: 'rest-left', marks: [{ value: 34 }, { value: 30 }] }]);
  expect(passport.findings).toMatchObject([{ finding: { look: 'seams' }, settled: { how: 'mended' } }]);
  expect(passport.stays).toMatchObject([{ backAt: at(181) }]);
  expect(passport.works).toMatchObject([{ words: 'Glued a seam' }]);
  expect([passport.rehairs, passport.checkups, passport.knocks].map(({ length }) => length)).toEqual([1, 1, 1]);
});

test('its state is the newest photograph of each view; older ones and others stay besides', () => {
  const photo = (n: number, daysAgo: number, view?: 'front' | 'back') =>
    event('photographed', at(daysAgo), {
      photo: hash(n),
      look: null,
      zone: null,
      findingId: null,
      ...(view && { view }),
    });
  const assessment = situation(violin, [
    photo(1, 90, 'front'),
    photo(2, 30, 'front'),
    photo(3, 60, 'back'),
    photo(4, 5),
  ]);
  const state = stateOf(assessment).filter((each) => each.seen);
  expect(state.map(({ view, seen: shown }) => [view, Number.parseInt(shown!.photo, 16)])).toEqual([
    ['front', 2],
    ['back', 3],
  ]);
  expect(passportOf(assessment, []).photos.map((each) => Number.parseInt(each.photo, 16))).toEqual([4, 1]);
});

test('every family has its views, bowed ones those of the bow', () => {
  for (const view of VIEWS) expect(VIEW_DATA[view].how.length).toBeGreaterThan(20);
  expect(viewsOf('harp')).not.toContain('bow-tip');
  expect(viewsOf('cello')).toEqual([...VIEWS]);
  expect(isViewed('bow-frog', 'guitar')).toBe(false);
});

test('the air by month lies between its driest and its dampest hours, whatever those were; two days tell a month, less does not', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 2000 }),
      fc.constantFrom('UTC', 'Pacific/Auckland', 'America/St_Johns'),
      (rhs, timeZone) => {
        const samples = rhs.map((rh, hour) => ({ at: NOW + hour * HOUR_MS, rh, low: rh, high: rh, tempC: null }));
        const months = airByMonth(samples, timeZone);
        for (const { meanRh, lowRh, highRh, hours } of months) {
          expect(hours).toBeGreaterThanOrEqual(48);
          expect(lowRh).toBeGreaterThanOrEqual(Math.min(...rhs));
          expect(highRh).toBeLessThanOrEqual(Math.max(...rhs));
          expect(meanRh).toBeGreaterThanOrEqual(Math.min(...rhs) - 1e-9);
          expect(lowRh).toBeLessThanOrEqual(highRh);
        }
        expect([...months].sort((a, b) => (a.month < b.month ? 1 : -1))).toEqual(months);
      },
    ),
    { numRuns: 60 },
  );
});

test('of any instrument and any log comes a passport, every list the newest first', () => {
  fc.assert(
    fc.property(anyFacts, anyLog, (own, events) => {
      const { strings, findings, works, views } = passportOf(situation(own, events), []);
      for (const list of [strings, works, findings.map(({ finding }) => finding)])
        expect(list.map(({ at: each }) => each)).toEqual([...list].map(({ at: each }) => each).sort((a, b) => b - a));
      expect(views.map(({ view }) => view)).toEqual(viewsOf(own.family));
    }),
    { numRuns: 60 },
  );
});

test('what is printed, and what an instrument is told by, is bounded and says so', () => {
  const passport = { title: 'Heron', about: '', sections: [], views: [], photos: [] };
  expect(passportSchema.parse(passport)).toEqual(passport);
  const why = (more: object) => passportSchema.safeParse({ ...passport, ...more }).error?.issues[0]?.message;
  const photos = Array.from({ length: PASSPORT_BOUNDS.photos }, (_, n) => ({ photo: hash(n), words: '' }));
  expect(why({ views: photos.slice(0, 1), photos })).toMatch(/60 photographs/);
  expect(why({ views: [{ photo: '../../etc/passwd', words: '' }] })).toMatch(/SHA-256/);
  const words = { label: '', made: '', serial: '', marks: '', insurer: '', policy: '', came: '' };
  const identity = { ...words, instrumentId: '00000000-0000-4000-8000-000000000000', value: null };
  expect(identitySchema.parse(identity)).toEqual(identity);
  const value = { amount: -1, currency: 'EUR', on: null };
  expect(identitySchema.safeParse({ ...identity, value }).error?.issues[0]?.message).toBe('A value is not negative.');
});
