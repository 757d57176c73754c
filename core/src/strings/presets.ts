import { BOWED, type Family, type Kind } from '../instruments/families';
import { equalHz, type Note } from './notes';
import { plainString, statedString, woundString, type StringSpec } from './spec';
import { alongNotes, usualTuning } from './tunings';

/** A set of strings in general terms, as a place to start from. */
export interface SetPreset {
  id: string;
  title: string;
  family: Family;
  kind?: Kind;
  strings: readonly StringSpec[];
}

/** Thousandths of an inch, as guitar strings are sold. */
const mil = (thousandths: number) => thousandths * 0.0254;

const at =
  (note: Note, lengthMm: number) =>
  (tension: number): NonNullable<StringSpec['stated']> => ({
    tensionN: tension,
    lengthMm,
    hz: equalHz(note),
  });

/** Bowed sets by what each string pulls on a full size, from memory: mid-way figures for sets of that description. */
function bowedSet(
  id: string,
  title: string,
  family: Family,
  lengthMm: number,
  strings: readonly (readonly [StringSpec['core'], StringSpec['winding'], number])[],
): SetPreset {
  const notes = usualTuning(family, null, 4);
  return {
    id,
    title,
    family,
    strings: strings.map(([core, winding, tension], position) =>
      statedString(core, winding, at(notes[position]!, lengthMm)(tension)),
    ),
  };
}

const VIOLIN_E = plainString('steel', 0.26);

const BOWED_SETS: readonly SetPreset[] = [
  bowedSet('violin-synthetic-medium', 'Medium synthetic', 'violin', 328, [
    ['synthetic', 'silver', 44],
    ['synthetic', 'aluminium', 43],
    ['synthetic', 'aluminium', 54],
    ['steel', 'plain', 78],
  ]),
  bowedSet('violin-synthetic-light', 'Light synthetic', 'violin', 328, [
    ['synthetic', 'silver', 40],
    ['synthetic', 'aluminium', 40],
    ['synthetic', 'aluminium', 49],
    ['steel', 'plain', 72],
  ]),
  bowedSet('violin-steel', 'Steel core', 'violin', 328, [
    ['steel', 'silver', 50],
    ['steel', 'aluminium', 53],
    ['steel', 'aluminium', 61],
    ['steel', 'plain', 80],
  ]),
  bowedSet('violin-gut', 'Gut, wound below', 'violin', 328, [
    ['gut', 'silver', 40],
    ['gut', 'aluminium', 38],
    ['gut', 'plain', 46],
    ['steel', 'plain', 75],
  ]),
  bowedSet('viola-synthetic', 'Medium synthetic', 'viola', 375, [
    ['synthetic', 'silver', 49],
    ['synthetic', 'silver', 48],
    ['synthetic', 'aluminium', 50],
    ['steel', 'aluminium', 68],
  ]),
  bowedSet('viola-steel', 'Steel core', 'viola', 375, [
    ['steel', 'silver', 60],
    ['steel', 'silver', 56],
    ['steel', 'aluminium', 58],
    ['steel', 'aluminium', 76],
  ]),
  bowedSet('cello-steel', 'Medium steel', 'cello', 690, [
    ['steel', 'tungsten', 132],
    ['steel', 'tungsten', 132],
    ['steel', 'steel', 138],
    ['steel', 'steel', 172],
  ]),
  bowedSet('cello-synthetic', 'Synthetic', 'cello', 690, [
    ['synthetic', 'silver', 120],
    ['synthetic', 'silver', 118],
    ['synthetic', 'silver', 122],
    ['synthetic', 'aluminium', 150],
  ]),
  bowedSet('bass-orchestra', 'Orchestra, medium steel', 'bass', 1050, [
    ['steel', 'nickel', 285],
    ['steel', 'nickel', 290],
    ['steel', 'nickel', 295],
    ['steel', 'nickel', 285],
  ]),
  bowedSet('bass-light', 'Light steel', 'bass', 1050, [
    ['steel', 'nickel', 250],
    ['steel', 'nickel', 255],
    ['steel', 'nickel', 260],
    ['steel', 'nickel', 250],
  ]),
].map((set) =>
  set.family === 'violin'
    ? // The plain E is sold by its gauge; light and heavy ones differ by hundredths.
      {
        ...set,
        strings: [...set.strings.slice(0, 3), { ...VIOLIN_E, gaugeMm: set.id.endsWith('light') ? 0.25 : 0.26 }],
      }
    : set,
);

/** Guitar sets named by their gauges, highest to lowest as packets do; wound ones are estimated from their gauge. */
function guitarSet(
  id: string,
  title: string,
  kind: Kind,
  winding: StringSpec['winding'],
  plain: readonly number[],
  wound: readonly number[],
): SetPreset {
  return {
    id,
    title,
    family: 'guitar',
    kind,
    strings: [
      ...[...wound].reverse().map((gauge) => woundString('steel', winding, mil(gauge))),
      ...[...plain].reverse().map((gauge) => plainString('steel', mil(gauge))),
    ],
  };
}

const GUITAR_SETS: readonly SetPreset[] = [
  guitarSet('steel-extra-light', 'Extra light .010–.047', 'steel', 'bronze', [10, 14], [23, 30, 39, 47]),
  guitarSet('steel-light', 'Light .012–.053', 'steel', 'bronze', [12, 16], [24, 32, 42, 53]),
  guitarSet('steel-medium', 'Medium .013–.056', 'steel', 'bronze', [13, 17], [26, 35, 45, 56]),
  guitarSet('electric-light', 'Light .009–.042', 'electric', 'nickel', [9, 11, 16], [24, 32, 42]),
  guitarSet('electric-regular', 'Regular .010–.046', 'electric', 'nickel', [10, 13, 17], [26, 36, 46]),
  guitarSet('electric-medium', 'Medium .011–.049', 'electric', 'nickel', [11, 14, 18], [28, 38, 49]),
  ...(
    [
      ['classical-normal', 'Normal tension nylon', [65, 70, 71, 54, 53, 69]],
      ['classical-high', 'High tension nylon', [69, 74, 75, 58, 56, 73]],
    ] as const
  ).map(([id, title, tensions]): SetPreset => {
    const notes = usualTuning('guitar', 'classical', 6);
    return {
      id,
      title,
      family: 'guitar',
      kind: 'classical',
      // Six tensions from memory, lowest string first.
      strings: tensions.map((tension, position) =>
        statedString('nylon', position < 3 ? 'silver' : 'plain', at(notes[position]!, 650)(tension)),
      ),
    };
  }),
];

/** What harp strings pull by note, N, at the usual lengths: from memory, mid-way figures between which it is interpolated. */
const HARP_PULLS: Readonly<Record<'lever' | 'pedal', readonly (readonly [Note, number])[]>> = {
  lever: [
    [31, 190],
    [36, 180],
    [48, 150],
    [60, 115],
    [72, 80],
    [84, 50],
    [96, 35],
  ],
  pedal: [
    [24, 420],
    [36, 380],
    [48, 300],
    [60, 220],
    [72, 150],
    [84, 90],
    [103, 50],
  ],
};

/** The highest note of the wire strings: G2. From memory. */
const WIRE_UP_TO: Note = 43;

/** Register of a harp string: basses are wound wire, the middle gut or nylon, the top nylon. From memory. */
function harpSpec(kind: 'lever' | 'pedal', note: Note, lengthMm: number, middle: 'gut' | 'nylon'): StringSpec {
  const tension = Math.round(alongNotes(HARP_PULLS[kind], note));
  const stated = { tensionN: tension, lengthMm, hz: equalHz(note) };
  if (note <= WIRE_UP_TO) return statedString('steel', 'copper', stated);
  const top = kind === 'pedal' ? 88 : 84;
  return statedString(note >= top ? 'nylon' : middle, 'plain', stated);
}

/** Sets for a harp of so many strings. */
function harpSets(kind: 'lever' | 'pedal', notes: readonly Note[], lengths: readonly number[]): SetPreset[] {
  const made = (id: string, title: string, middle: 'gut' | 'nylon'): SetPreset => ({
    id,
    title,
    family: 'harp',
    kind,
    strings: notes.map((note, position) => harpSpec(kind, note, lengths[position]!, middle)),
  });
  const gut = made(`harp-${kind}-gut`, 'Gut in the middle, nylon above, wire below', 'gut');
  const nylon = made(`harp-${kind}-nylon`, 'Nylon, wire below', 'nylon');
  return kind === 'pedal' ? [gut, nylon] : [nylon, gut];
}

/** Every set described in general terms that is not a harp's. */
export const SET_PRESETS: readonly SetPreset[] = [...BOWED_SETS, ...GUITAR_SETS];

/**
 * Sets to start from for an instrument, the usual one first.
 * @param strings its open strings, lowest first
 */
export function presetsFor(
  facts: { family: Family; kind: Kind | null },
  strings: readonly { note: Note; lengthMm: number }[],
): SetPreset[] {
  if (facts.family === 'harp') {
    const kind = facts.kind === 'pedal' ? 'pedal' : 'lever';
    return harpSets(
      kind,
      strings.map(({ note }) => note),
      strings.map(({ lengthMm }) => lengthMm),
    );
  }
  const fits = SET_PRESETS.filter(
    ({ family, kind, strings: each }) =>
      family === facts.family && (kind === undefined || kind === facts.kind) && each.length === strings.length,
  );
  if (!BOWED.includes(facts.family)) return fits;
  // Sets for smaller sizes are made to pull about as their own length asks; the tension stated is taken at this length.
  return fits.map((set) => ({
    ...set,
    strings: set.strings.map((spec, position) =>
      spec.stated ? { ...spec, stated: { ...spec.stated, lengthMm: strings[position]!.lengthMm } } : spec,
    ),
  }));
}
