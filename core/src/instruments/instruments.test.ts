import { presetsFor } from '../sets';
import { openStrings, setPull } from '../strings';
import { noteName } from '../pitch';
import {
  bodyScale,
  builtOf,
  FAMILIES,
  FIGURE_DATA,
  figuresOf,
  kindsOf,
  layoutOf,
  recordOf,
  stringNames,
  usualFacts,
  variantOf,
  withLayout,
  type Family,
  type InstrumentFacts,
  type Kind,
} from '.';

test('strings are named by their notes, a harp’s by number from the top', () => {
  expect(stringNames(usualFacts('cello'))).toEqual(['C', 'G', 'D', 'A']);
  expect(stringNames(usualFacts('guitar'))).toHaveLength(6);
  const harp = stringNames(usualFacts('harp', 'pedal'));
  expect([harp[0], harp.at(-1)]).toEqual(['47', '1']);
});

test('a set-up sheet has the figures its instrument has', () => {
  expect(figuresOf(usualFacts('cello'))).toEqual(['endpin-length', 'bow-turns', 'bow-gap']);
  expect(figuresOf(usualFacts('guitar'))).toEqual(['string-gauge', 'action', 'relief', 'action-high']);
  expect(figuresOf(usualFacts('harp'))).toEqual([]);
  const violin = usualFacts('violin');
  expect(figuresOf(violin)).toContain('rest-left');
  violin.setUp.shoulderRest = 'none';
  expect(figuresOf(violin)).toEqual(['bow-turns', 'bow-gap']);
});

test('a figure starts within its bounds', () => {
  for (const { least, most, start, step } of Object.values(FIGURE_DATA)) {
    expect(start).toBeGreaterThanOrEqual(least);
    expect(start).toBeLessThanOrEqual(most);
    expect(step).toBeGreaterThan(0);
  }
});

/** An instrument in a layout of its kind, by title; of several of one title, the one with this lowest note. */
function built(family: Family, title: string, { kind, from }: { kind?: Kind; from?: string } = {}): InstrumentFacts {
  const facts = usualFacts(family, kind);
  const layout = variantOf(facts).layouts.find(
    (each) => each.title === title && (from === undefined || noteName(each.notes[0]!) === from),
  );
  return withLayout(facts, layout!);
}

describe('instruments that have not the usual strings', () => {
  test('are tuned as the trade tunes them, and their strings are called so', () => {
    // Handbook 10: with C, with E, with low B or high C; from memory: their notes.
    expect(stringNames(built('violin', '5 strings'))).toEqual(['C', 'G', 'D', 'A', 'E']);
    expect(stringNames(built('viola', '5 strings'))).toEqual(['C', 'G', 'D', 'A', 'E']);
    expect(stringNames(built('cello', '5 strings'))).toEqual(['C', 'G', 'D', 'A', 'E']);
    expect(stringNames(built('bass', '5 strings', { from: 'B0' }))).toEqual(['B', 'E', 'A', 'D', 'G']);
    expect(stringNames(built('bass', '5 strings', { from: 'E1' }))).toEqual(['E', 'A', 'D', 'G', 'C']);
    // Two strings a B or an E: numbers tell them.
    expect(stringNames(built('guitar', '7 strings'))).toEqual(['7', '6', '5', '4', '3', '2', '1']);
    expect(stringNames(built('guitar', 'Baritone, 6 strings'))[0]).toBe('B');
    const twelve = built('guitar', '12 strings in courses');
    expect(twelve.stringCount).toBe(12);
    expect(stringNames(twelve).slice(0, 2)).toEqual(['6', '6 octave']);
    // Each of the lower courses is its string and the octave above it, the upper two are doubled: common practice.
    const { notes } = layoutOf(twelve)!;
    for (let at = 0; at < 12; at += 2) expect(notes[at + 1]! - notes[at]!).toBe(at < 8 ? 12 : 0);
  });

  test('a string on an extension pulls as the same string does without it', () => {
    // Published: any acoustics handbook; Mersenne: an octave's third lower on a string longer by the same ratio.
    const pulls = (facts: InstrumentFacts) => {
      const open = openStrings(facts);
      const set = presetsFor(facts, open)[0]!;
      return setPull(open.map((string, at) => ({ ...string, spec: set.strings[at]! }))).pulls.map(
        ({ tensionN }) => tensionN!,
      );
    };
    const extended = built('bass', '4 strings, the lowest on an extension');
    const [low, ...others] = openStrings(extended);
    expect(low!.lengthMm).toBe(1323);
    expect(others.map(({ lengthMm }) => lengthMm)).toEqual([1050, 1050, 1050]);
    expect(pulls(extended)[0]! / pulls(usualFacts('bass'))[0]!).toBeCloseTo(1, 2);
    // The same notes on strings of one length are a bass tuned down, not an extension.
    const down = { ...extended, stringing: { ...extended.stringing, lengthsMm: null } };
    expect(layoutOf(down)).toBeNull();
  });

  test('a violist’s strings follow the length of the body', () => {
    const viola = (bodyMm: number | null): InstrumentFacts => {
      const facts = usualFacts('viola');
      return { ...facts, setUp: { ...facts.setUp, bodyMm } };
    };
    const length = (facts: InstrumentFacts) => openStrings(facts)[0]!.lengthMm;
    // Handbook 4: 375 mm, which is sixteen inches; from memory: 14 in has about a violin's 328.
    expect(length(viola(406))).toBe(375);
    expect(length(viola(null))).toBe(375);
    expect(Math.abs(length(viola(356)) - 328)).toBeLessThan(3);
    const scale = (bodyMm: number) => bodyScale(recordOf('viola'), builtOf(viola(bodyMm)))!;
    expect(scale(406)).toBe(1);
    expect(scale(432)).toBeCloseTo(432 / 406, 10);
    // What was kept as 3/4 before bodies were asked for is what it was.
    expect(length({ ...usualFacts('viola'), size: '3/4' })).toBe(350);
  });

  test('choosing its layout again changes nothing, and every count of strings has notes', () => {
    for (const family of FAMILIES)
      for (const kind of kindsOf(family).length > 0 ? kindsOf(family) : [null])
        for (const layout of variantOf({ family, kind }).layouts) {
          const once = withLayout(usualFacts(family, kind), layout);
          expect(withLayout(once, layout)).toEqual(once);
        }
    for (let stringCount = 1; stringCount <= 20; stringCount++)
      expect(openStrings({ ...usualFacts('guitar', 'electric'), stringCount })).toHaveLength(stringCount);
  });
});
