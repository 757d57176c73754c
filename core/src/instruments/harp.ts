import { diatonic, noteOf, type Note } from '../pitch';
import type { Built, FamilyRecord, StringLayout, StringLife, VariantRecord } from './family';
import { alongNotes } from './pitch-lines';
import type { Core } from './string-spec';
import { usualWood } from './woods';

/** The strings of a range: the white keys from end to end. */
export const stringsOf = ({ from, to }: { from: Note; to: Note }): Note[] => diatonic(from, to);

const layout = (title: string, from: string, to: string): StringLayout => ({
  title,
  notes: stringsOf({ from: noteOf(from)!, to: noteOf(to)! }),
});

/** Ranges harps are built in. 47 and 34 [handbook 4]; the others from memory. */
const LEVER_LAYOUTS: readonly StringLayout[] = [
  layout('34 strings', 'C2', 'A6'),
  layout('22 strings', 'C3', 'C6'),
  layout('26 strings', 'C3', 'G6'),
  layout('29 strings', 'C2', 'C6'),
  layout('36 strings', 'C2', 'C7'),
  layout('38 strings', 'A1', 'C7'),
  layout('40 strings', 'G1', 'D7'),
];
const PEDAL_LAYOUTS: readonly StringLayout[] = [
  layout('47 strings', 'C1', 'G7'),
  layout('40 strings', 'G1', 'D7'),
  layout('44 strings', 'D1', 'E7'),
  layout('46 strings', 'D1', 'G7'),
];

/** A count no layout has is taken to begin on C2, or on C1 where the strings would not end below G7. From memory. */
function tuningBy(own: readonly StringLayout[], others: readonly StringLayout[]): VariantRecord['tuning'] {
  return (stringCount) => {
    const known = [...own, ...others].find(({ notes }) => notes.length === stringCount);
    if (known) return [...known.notes];
    return diatonic(noteOf(stringCount > 39 ? 'C1' : 'C2')!, 120).slice(0, stringCount);
  };
}

/** Lengths of harp strings by note, mm, between which it is interpolated on a log scale. From memory; a player's own measures come before them. */
const LENGTHS: readonly (readonly [Note, number])[] = [
  [24, 1480],
  [36, 1310],
  [48, 960],
  [60, 590],
  [72, 330],
  [84, 178],
  [96, 98],
  [103, 72],
];

/** Middle gut octaves are commonly renewed every one to two years, nylon and wire later: stated defaults, from memory. */
const life = (days: number): StringLife => ({ hours: 1.5 * days, days, basis: 'default' });
const LIVES: Readonly<Record<Core, StringLife>> = {
  steel: life(1825),
  nylon: life(1095),
  carbon: life(1095),
  gut: life(730),
  // Not sold for harps; reckoned as the shortest of the others.
  synthetic: life(730),
};

const COMMON = {
  stringNames: null,
  otherTunings: [],
  lengthMm: (_built: Built, note: Note) => Math.round(alongNotes(LENGTHS, note)),
  usualCore: 'gut',
  lives: LIVES,
  // From memory: the soundboard's widest place; its grain runs across, its back is bent from slab.
  wood: usualWood({ body: 360, neck: 60, board: null }, 'slab'),
} as const;

export const harp = {
  name: 'Harp',
  bow: null,
  takes: { handed: false, chin: false, endpin: false, stand: false, action: true, bridgeAsked: false },
  usual: { case: 'none', finish: 'lacquer', floatingBridge: false },
  sizes: null,
  body: null,
  variants: {
    lever: {
      ...COMMON,
      name: 'Lever harp',
      stringCount: 34,
      layouts: LEVER_LAYOUTS,
      tuning: tuningBy(LEVER_LAYOUTS, PEDAL_LAYOUTS),
    },
    pedal: {
      ...COMMON,
      name: 'Pedal harp',
      stringCount: 47,
      layouts: PEDAL_LAYOUTS,
      tuning: tuningBy(PEDAL_LAYOUTS, LEVER_LAYOUTS),
    },
  },
  strings: {
    temperament: 'equal',
    held: 'knot',
    order: 'rising',
    bears: 'soundboard',
    // From memory, as bowed instruments.
    load: { look: 0.05, setUp: 0.12 },
    // New harp strings drift for a week or two [handbook 4].
    driftDays: 14,
    renewed: 'each-alone',
    changedAtDays: [],
    rule: 'The trade has no agreed figure for harp strings.',
  },
  pegs: 'pins',
  fretted: false,
  ladder: 'harp',
  surfaces: ['harp-body', 'bare-wood', 'plain-strings', 'wound-strings', 'hardware'],
  touched: 'Where your arms rest on the body, and where your knees touch.',
  zones: ['strings', 'hand-zones', 'action', 'pegs', 'whole'],
  figures: ['sharpened-off'],
  schools: ['air', 'beforePlaying', 'checkup'],
  // Steadiness is the way of harps [handbook 3].
  usualSides: { air: 'C' },
} as const satisfies FamilyRecord;
