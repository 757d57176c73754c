import fc from 'fast-check';
import { mayUse, PRODUCTS, residueOf, rungFor, workshopZones, type Product, type ResidueState, type WipeId } from '.';
import {
  FAMILIES,
  FINISHES,
  usualFacts,
  type Family,
  SURFACES,
  recordOf,
  type Surface,
  schoolsFor,
} from '../instruments';
import { foldLog } from '../log';
import { scribe } from '../testing/events';
import { DAY_MS } from '../time';

const A = schoolsFor('violin');
const B = schoolsFor('violin', { cleaner: 'B', frogHair: 'B' });
const use = (product: Product, surface: Surface, family: Family = 'violin', schools = B, finish = 'varnish') =>
  mayUse(product, surface, { family, setUp: { finish } }, schools).verdict;

describe('what may be used', () => {
  test('the never-list is never, on every surface of every family', () => {
    // common practice: furniture polish, car wax, silicone, ammonia, window cleaner, baby wipes, liquid sprayed on.
    const never: Product[] = [
      'furniture-polish',
      'car-wax',
      'silicone',
      'ammonia',
      'window-cleaner',
      'baby-wipes',
      'spray',
    ];
    for (const product of never)
      for (const family of FAMILIES)
        for (const surface of recordOf(family).surfaces) expect(use(product, surface, family)).toBe('never');
    // Naphtha dries wood; polish and cleaner stay off strings and fingerboard.
    expect(use('naphtha', 'fretboard', 'guitar')).toBe('never');
    for (const polish of ['harp-polish', 'guitar-polish', 'instrument-cleaner'] as const)
      for (const surface of ['plain-strings', 'wound-strings', 'fretboard'] as const)
        expect(use(polish, surface)).toBe('never');
  });

  test('spirit is for bowed strings only, never wood, varnish, a harp or a guitar', () => {
    for (const surface of SURFACES)
      expect(use('spirit', surface)).toBe(
        surface === 'plain-strings' || surface === 'wound-strings' ? 'only-so' : 'never',
      );
    expect(use('spirit', 'plain-strings', 'harp')).toBe('never');
    expect(use('spirit', 'wound-strings', 'guitar')).toBe('never');
  });

  test('the ladder’s own products are allowed where the ladder has them, and only so', () => {
    expect(use('instrument-cleaner', 'varnish')).toBe('only-so');
    expect(use('damp-cloth', 'harp-body', 'harp', A, 'lacquer')).toBe('only-so');
    expect(use('mild-soap', 'harp-body', 'harp', A, 'lacquer')).toBe('only-so');
    expect(use('harp-polish', 'harp-body', 'harp', A, 'lacquer')).toBe('only-so');
    expect(use('brush', 'hardware', 'harp')).toBe('allowed');
    expect(use('fretboard-oil', 'fretboard', 'guitar')).toBe('only-so');
    expect(use('fretboard-oil', 'fretboard', 'cello')).toBe('never');
    expect(use('guitar-polish', 'lacquer', 'guitar', A, 'hard')).toBe('only-so');
  });

  test('schools decide where they disagree', () => {
    expect(use('instrument-cleaner', 'varnish', 'violin', A)).toBe('never');
    expect(use('mild-soap', 'hair', 'violin', A)).toBe('never');
    expect(use('mild-soap', 'hair', 'violin', B)).toBe('only-so');
  });

  test('a dry cloth may touch everything but hair; nothing ever touches hair unsaid', () => {
    for (const surface of SURFACES) expect(use('dry-cloth', surface)).toBe(surface === 'hair' ? 'never' : 'allowed');
    for (const product of PRODUCTS) expect(use(product, 'hair', 'violin', A)).toBe('never');
  });

  test('an old or valuable finish takes a dry cloth and nothing else', () => {
    for (const product of PRODUCTS)
      for (const [surface, family] of [
        ['varnish', 'violin'],
        ['lacquer', 'guitar'],
        ['harp-body', 'harp'],
      ] as const)
        expect(use(product, surface, family, B, 'valuable')).toBe(product === 'dry-cloth' ? 'allowed' : 'never');
  });

  test('every answer has a reason', () => {
    for (const product of PRODUCTS)
      for (const family of FAMILIES)
        for (const surface of recordOf(family).surfaces)
          expect(mayUse(product, surface, usualFacts(family), A).reason.length).toBeGreaterThan(10);
  });
});

describe('the residue ladder', () => {
  const rung = (family: Family, step: WipeId, state: ResidueState, schools = A) =>
    rungFor(usualFacts(family), schools, { step, state });

  test('the mildest rung first: a dry cloth while it is fresh, nothing when it is clean', () => {
    for (const family of FAMILIES) {
      expect(rung(family, 'wipe-strings', 'clean')).toBeNull();
      expect(rung(family, 'wipe-strings', 'fresh')).toMatchObject({ rung: 1, workshop: false });
    }
  });

  test('bowed: spirit on strings only; cleaner on varnish by one school, dry by the other; caked goes to the workshop', () => {
    // common practice: the ladder of bowed instruments.
    expect(rung('violin', 'wipe-strings', 'settling')).toMatchObject({ rung: 2 });
    expect(rung('violin', 'wipe-rosin', 'settling', A)).toMatchObject({ rung: 1 });
    expect(rung('violin', 'wipe-rosin', 'settling', B)).toMatchObject({ rung: 3 });
    expect(rung('cello', 'wipe-rosin', 'caked', B)).toMatchObject({ rung: 4, workshop: true });
    expect(rung('violin', 'wipe-strings', 'caked')).toMatchObject({ workshop: false });
  });

  test('harp: barely damp, then soap; guitar: a cleaner for the finish, then its polish', () => {
    // common practice: the ladders of harp and guitar.
    expect(rung('harp', 'wipe-hands', 'settling')).toMatchObject({ rung: 2 });
    expect(rung('harp', 'wipe-hands', 'caked')).toMatchObject({ rung: 3 });
    expect(rung('guitar', 'wipe-hands', 'settling')).toMatchObject({ rung: 2 });
    expect(rung('guitar', 'wipe-hands', 'caked')).toMatchObject({ rung: 4 });
  });

  test('no rung ever steps down as residue hardens, and spirit is never near wood', () => {
    const states: ResidueState[] = ['fresh', 'settling', 'caked'];
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILIES),
        fc.constantFrom<WipeId>('wipe-stick', 'wipe-strings', 'wipe-rosin', 'wipe-hands'),
        fc.constantFrom(...FINISHES),
        fc.constantFrom(A, B),
        (family, step, finish, schools) => {
          const usual = usualFacts(family);
          const facts = { ...usual, setUp: { ...usual.setUp, finish } };
          const rungs = states.map((state) => rungFor(facts, schools, { step, state })!);
          expect(rungs.map((each) => each.rung)).toEqual(rungs.map((each) => each.rung).sort());
          if (step !== 'wipe-strings') for (const { does } of rungs) expect(does).not.toMatch(/spirit/i);
          if (finish === 'valuable' && step !== 'wipe-strings')
            expect(rungs.every((each) => each.rung === 1 || each.workshop)).toBe(true);
        },
      ),
    );
  });

  test('much playing hardens as many days do, and a trace never cakes', () => {
    const NOW = Date.parse('2026-06-01T20:00:00.000Z');
    const state = (daysAgo: number, hours: number, times = 1) => {
      const { session } = scribe();
      const events = Array.from({ length: times }, (_, at) =>
        session(NOW - (daysAgo - at * 0.5) * DAY_MS, hours),
      ).flat();
      return residueOf(usualFacts('guitar'), foldLog(events, NOW, 'UTC'))[0]!.state;
    };
    expect(state(1.5, 2)).toBe('fresh');
    expect(state(1.5, 3, 2)).toBe('settling');
    expect(state(100, 0.1)).toBe('settling');
    expect(state(100, 1)).toBe('caked');
    expect(state(30, 2, 40)).toBe('caked');
  });

  test('caked zones are listed for the workshop', () => {
    const NOW = Date.parse('2026-06-01T20:00:00.000Z');
    const { session } = scribe();
    const violin = usualFacts('violin');
    const zones = residueOf(violin, foldLog(session(NOW - 90 * DAY_MS, 2), NOW, 'UTC'));
    expect(workshopZones(violin, A, zones).map(({ step }) => step)).toEqual(['wipe-stick', 'wipe-rosin', 'wipe-hands']);
  });
});
