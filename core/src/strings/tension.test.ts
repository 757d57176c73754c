import { presetsFor } from '../sets';
import fc from 'fast-check';
import {
  compareStrung,
  densityFrom,
  densityOf,
  loadVerdict,
  openStrings,
  plainDensity,
  setPull,
  slackMm,
  strengthOf,
  tensionN,
  usualTuning,
  woundDensity,
} from '.';
import {
  FAMILIES,
  kindsOf,
  usualFacts,
  variantOf,
  plainString,
  statedString,
  stringSpecSchema,
  woundString,
} from '../instruments';
import { centsBetween, diatonic, equalHz, harpOctave, noteName, noteOf, stringHz } from '../pitch';
import { NEWTONS_PER_KGF, NEWTONS_PER_LBF } from '../units';

describe('notes', () => {
  test('A4 is 440 Hz and each octave doubles it', () => {
    // Published: ISO 16:1975. Equal-tempered frequencies: general tables of music acoustics.
    expect(equalHz(69)).toBe(440);
    for (const [name, hz] of [
      ['E1', 41.203],
      ['C2', 65.406],
      ['E2', 82.407],
      ['G3', 195.998],
      ['C4', 261.626],
      ['E5', 659.255],
      ['G7', 3135.963],
    ] as const)
      expect(equalHz(noteOf(name)!)).toBeCloseTo(hz, 2);
    expect(equalHz(69, 415)).toBe(415);
  });

  test('names are read and written', () => {
    fc.assert(fc.property(fc.integer({ min: 12, max: 119 }), (note) => noteOf(noteName(note)) === note));
    expect([noteOf('f#3'), noteOf('Gb3'), noteOf('H4'), noteOf('C'), noteOf('C12')]).toEqual([
      54,
      54,
      null,
      null,
      null,
    ]);
  });

  test('bowed strings in pure fifths stand three to two, which is 702 cents', () => {
    // Published: any acoustics handbook; log2(3/2) · 1200 = 701.955.
    for (const family of ['violin', 'viola', 'cello'] as const) {
      const strings = openStrings(usualFacts(family));
      for (let at = 1; at < 4; at++) {
        expect(strings[at]!.hz / strings[at - 1]!.hz).toBeCloseTo(1.5, 12);
        expect(centsBetween(strings[at]!.hz, strings[at - 1]!.hz)).toBeCloseTo(701.955, 3);
      }
      expect(strings.find(({ note }) => note % 12 === 9)!.hz % 55).toBeCloseTo(0, 9);
    }
    // A bass goes in fourths; without an A on it nothing is changed.
    expect(stringHz([28, 33, 38, 43], 440, 'fifths')[2]! / stringHz([28, 33, 38, 43], 440, 'fifths')[1]!).toBeCloseTo(
      4 / 3,
    );
    expect(stringHz([60, 67], 440, 'fifths')).toEqual(stringHz([60, 67]));
  });

  test('harps have the strings the trade gives them, in octaves counted from the top', () => {
    // Handbook 4: 47 strings C1 to G7; lever harps commonly 34, C2 to A6.
    expect(diatonic(noteOf('C1')!, noteOf('G7')!)).toHaveLength(47);
    expect(diatonic(noteOf('C2')!, noteOf('A6')!)).toHaveLength(34);
    for (const kind of ['lever', 'pedal'] as const)
      for (const layout of variantOf({ family: 'harp', kind }).layouts)
        expect(`${layout.notes.length} strings`).toBe(layout.title);
    // From memory: the fifth octave's C is C3, the third octave's F is F4.
    expect(['G7', 'E7', 'F6', 'E6', 'F4', 'C3', 'C1'].map((name) => harpOctave(noteOf(name)!))).toEqual([
      0, 1, 1, 2, 3, 5, 7,
    ]);
    for (let count = 1; count <= 60; count++) {
      const tuning = usualTuning('harp', 'lever', Math.min(count, 56));
      expect(tuning).toHaveLength(Math.min(count, 56));
    }
  });

  test('the usual tunings are the trade’s', () => {
    // Handbook 4.
    const names = (family: 'violin' | 'viola' | 'cello' | 'bass' | 'guitar') =>
      openStrings(usualFacts(family))
        .map(({ note }) => noteName(note))
        .join(' ');
    expect(names('violin')).toBe('G3 D4 A4 E5');
    expect(names('viola')).toBe('C3 G3 D4 A4');
    expect(names('cello')).toBe('C2 G2 D3 A3');
    expect(names('bass')).toBe('E1 A1 D2 G2');
    expect(names('guitar')).toBe('E2 A2 D3 G3 B3 E4');
    expect(noteName(usualTuning('bass', null, 5)[0]!)).toBe('B0');
  });
});

describe('Mersenne’s law', () => {
  test('worked examples', () => {
    // From memory: arithmetic from a density of 7850 kg/m³. A violin's steel E, and a .012 in E4 at 648 mm.
    const e = plainDensity(0.26e-3, 7850);
    expect(tensionN(e, 0.328, equalHz(noteOf('E5')!))).toBeCloseTo(78, 0);
    const b = plainDensity(0.012 * 25.4e-3, 7850);
    expect(tensionN(b, 0.648, equalHz(noteOf('E4')!))).toBeCloseTo(104.5, 1);
    // Handbook 4: A 415 → 440 adds 12.4 %.
    expect(tensionN(1e-3, 0.328, 440) / tensionN(1e-3, 0.328, 415) - 1).toBeCloseTo(0.124, 3);
    // Exact by definition: standard gravity, and the international pound.
    expect(NEWTONS_PER_KGF).toBe(9.80665);
    expect(NEWTONS_PER_LBF).toBeCloseTo(0.45359237 * 9.80665, 10);
  });

  const lengths = fc.double({ min: 0.05, max: 1.5, noNaN: true });
  const pitches = fc.double({ min: 30, max: 3200, noNaN: true });
  const gauges = fc.double({ min: 0.2, max: 1.5, noNaN: true });

  test('turned round gives the density back', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-4, max: 0.05, noNaN: true }), lengths, pitches, (density, length, hz) => {
        expect(densityFrom(tensionN(density, length, hz), length, hz) / density).toBeCloseTo(1, 9);
      }),
    );
  });

  test('thin and thick plain strings at one pitch are equally stressed: stress has no diameter in it', () => {
    fc.assert(
      fc.property(gauges, gauges, lengths, pitches, (thin, thick, length, hz) => {
        const stress = (gauge: number) =>
          tensionN(plainDensity(gauge, 7850), length, hz) / ((Math.PI / 4) * gauge ** 2);
        expect(stress(thin) / stress(thick)).toBeCloseTo(1, 9);
      }),
    );
  });

  test('a semitone more raises the stress by 12.2 %, and the room above shrinks by one', () => {
    const e = plainString('steel', 0.26);
    const low = strengthOf(e, 328, 622.25)!;
    const high = strengthOf(e, 328, 659.255)!;
    expect(high.share / low.share).toBeCloseTo(1.1225, 3);
    expect(low.safeAbove - high.safeAbove).toBeCloseTo(1, 3);
    // From memory: a violin's E stands at a good half of its strength, and breaks some semitones up.
    expect(high.share).toBeGreaterThan(0.45);
    expect(high.share).toBeLessThan(0.65);
    expect(high.toBreaking).toBeGreaterThan(4);
    expect(strengthOf(woundString('steel', 'bronze', 1), 648, 82)).toBeNull();
  });
});

describe('what a set pulls', () => {
  test('wound strings are estimated from their gauge, near what such sets pull', () => {
    const light = presetsFor(usualFacts('guitar'), openStrings(usualFacts('guitar'))).find(
      ({ id }) => id === 'steel-light',
    )!;
    const strings = openStrings(usualFacts('guitar'));
    const set = setPull(strings.map((string, at) => ({ ...string, spec: light.strings[at]! })));
    // From memory: a light set of .012 to .053 pulls about 160 lbf in all, each string 23 to 31.
    const pounds = set.pulls.map(({ tensionN: each }) => each! / NEWTONS_PER_LBF);
    for (const pull of pounds) expect(pull).toBeGreaterThan(20);
    for (const pull of pounds) expect(pull).toBeLessThan(34);
    expect(set.totalN / NEWTONS_PER_LBF).toBeGreaterThan(145);
    expect(set.totalN / NEWTONS_PER_LBF).toBeLessThan(175);
    expect(set.pulls.map(({ basis }) => basis)).toEqual([
      'estimate',
      'estimate',
      'estimate',
      'estimate',
      'gauge',
      'gauge',
    ]);
  });

  test('a winding of no thickness adds nothing, and a wound string is heavier than its core', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3e-3, max: 2e-3, noNaN: true }),
        fc.double({ min: 0.3, max: 0.99, noNaN: true }),
        (outer, share) => {
          expect(woundDensity(outer, outer, 7850, 8800)).toBeCloseTo(plainDensity(outer, 7850), 12);
          expect(woundDensity(outer, outer * share, 7850, 8800)).toBeGreaterThan(plainDensity(outer * share, 7850));
          // Round wire leaves air between: less than a solid rod of the two.
          const solid =
            plainDensity(outer, 8800) - plainDensity(outer * share, 8800) + plainDensity(outer * share, 7850);
          expect(woundDensity(outer, outer * share, 7850, 8800)).toBeLessThan(solid);
        },
      ),
    );
  });

  test('shares add up to the whole; what is not known is counted, not guessed', () => {
    const strings = openStrings(usualFacts('violin'));
    const specs = presetsFor(usualFacts('violin'), strings)[0]!.strings;
    const set = setPull(strings.map((string, at) => ({ ...string, spec: specs[at]! })));
    expect(set.shares.reduce((sum: number, share) => sum + share!, 0)).toBeCloseTo(1, 9);
    // From memory: a violin's strings pull about 220 N.
    expect(set.totalN).toBeGreaterThan(190);
    expect(set.totalN).toBeLessThan(250);
    const partly = setPull(strings.map((string, at) => ({ ...string, spec: at === 0 ? null : specs[at]! })));
    expect(partly).toMatchObject({ unknown: 1 });
    expect(partly.pulls[0]!.tensionN).toBeNull();
    const nothing = { ...plainString('steel', 0.3), gaugeMm: null };
    expect(densityOf(nothing)).toBeNull();
  });

  test('every preset is a set its schema takes, with as many strings as its instruments have, none past its strength', () => {
    const names: string[] = [];
    for (const family of FAMILIES) {
      for (const kind of kindsOf(family).length > 0 ? kindsOf(family) : [undefined]) {
        const facts = usualFacts(family, kind);
        const strings = openStrings(facts);
        const presets = presetsFor(facts, strings);
        expect(presets.length).toBeGreaterThan(0);
        for (const preset of presets) {
          names.push(preset.id);
          expect(preset.strings).toHaveLength(facts.stringCount);
          for (const spec of preset.strings) expect(stringSpecSchema.safeParse(spec).success).toBe(true);
          const same = strings.map((string, at) => ({ ...string, spec: preset.strings[at]! }));
          expect([preset.id, compareStrung(facts, same, same).breaks]).toEqual([preset.id, []]);
        }
      }
    }
    expect(new Set(names).size).toBe(names.length);
  });

  test('a stated tension is given back at its own length and pitch', () => {
    const spec = statedString('synthetic', 'silver', { tensionN: 44, lengthMm: 328, hz: 196 });
    expect(tensionN(densityOf(spec)!.density, 0.328, 196)).toBeCloseTo(44, 9);
  });
});

describe('a change of strings', () => {
  const facts = usualFacts('guitar');
  const strings = openStrings(facts);
  const strung = (id: string, more = strings) => {
    const set = presetsFor(facts, strings).find((preset) => preset.id === id)!;
    return more.map((string, at) => ({ ...string, spec: set.strings[at]! }));
  };

  test('from light to medium is more load, and asks for a set-up', () => {
    const change = compareStrung(facts, strung('steel-light'), strung('steel-medium'));
    expect(change.total).toBeGreaterThan(0.08);
    expect(change.verdict).toBe('set-up');
    expect(change.each.every((string) => string.change! > 0)).toBe(true);
    expect(compareStrung(facts, strung('steel-light'), strung('steel-light')).verdict).toBe('same');
  });

  test('another A changes every string by the square of the pitch', () => {
    const high = openStrings({ ...facts, stringing: { ...facts.stringing, a4Hz: 452 } });
    const change = compareStrung(facts, strung('steel-light'), strung('steel-light', high));
    for (const each of change.each) expect(each.change).toBeCloseTo((452 / 440) ** 2 - 1, 9);
  });

  test('a plain string that would break is told, and one past what is safe', () => {
    const high = strings.map((string) => ({ ...string, hz: string.hz * Math.pow(2, 9 / 12) }));
    const change = compareStrung(facts, strung('steel-light'), strung('steel-light', high));
    expect(change.breaks).toContain(5);
    expect(loadVerdict('guitar', null)).toBe('unknown');
  });

  test('slack for the wraps is their length round the post', () => {
    // Derived: w · π · d [handbook 4].
    expect(slackMm(3, 7)).toBeCloseTo(65.97, 2);
  });
});

test('gauges that no string has are refused with what to do', () => {
  const gauge = (gaugeMm: number) => stringSpecSchema.safeParse({ ...plainString('steel', 0.3), gaugeMm });
  expect(gauge(0).error?.issues[0]?.message).toMatch(/No string is that thin/);
  expect(gauge(5).error?.issues[0]?.message).toMatch(/No string is that thick/);
  expect(gauge(0.3).success).toBe(true);
  const stated = (tension: number) =>
    stringSpecSchema.safeParse(statedString('steel', 'plain', { tensionN: tension, lengthMm: 328, hz: 659 }));
  expect(stated(5000).error?.issues[0]?.message).toMatch(/Check the unit/);
});
