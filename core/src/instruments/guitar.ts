import { namedNotes } from '../pitch';
import { MONTH_DAYS } from '../time';
import type { FamilyRecord, SizeFacts, StringLayout, StringLife } from './family';
import { tuningOf } from './pitch-lines';
import { lengthBySize } from './sizes';
import type { Core } from './string-spec';
import { neckWood, usualWood } from './woods';

const TUNING = namedNotes('E2', 'A2', 'D3', 'G3', 'B3', 'E4');

/** Vibrating lengths [handbook 4, from memory; smaller ones from memory]. */
const SIZES = {
  '4/4': { lengthMm: 648, bodyScale: 1 },
  '7/8': { lengthMm: 620, bodyScale: 0.97 },
  '3/4': { lengthMm: 580, bodyScale: 0.94 },
  '1/2': { lengthMm: 530, bodyScale: 0.87 },
} satisfies Record<string, SizeFacts>;
const bySize = lengthBySize(SIZES);
const CLASSICAL_MM = 650;
/** Bass guitars are long, medium or short in the string; a neck has no body to scale. From memory. */
const BASS_SIZES = {
  '4/4': { lengthMm: 864, bodyScale: 1 },
  '7/8': { lengthMm: 813, bodyScale: 1 },
  '3/4': { lengthMm: 762, bodyScale: 1 },
  '1/2': { lengthMm: 686, bodyScale: 1 },
} satisfies Record<string, SizeFacts>;
const BASS_WIDTHS = { neck: 42, board: 60 };

/** 6 months at half an hour a day, 3 at an hour and a half [handbook 4]: the trade says it of steel. */
const STEEL: StringLife = { hours: 183, days: 362, basis: 'trade' };
/** For nylon and the rest the trade gives none: a stand-in default of the same figures, from memory. */
const SOFT: StringLife = { ...STEEL, basis: 'default' };
const SOFT_LIVES: Readonly<Record<Core, StringLife>> = {
  steel: SOFT,
  synthetic: SOFT,
  gut: SOFT,
  nylon: SOFT,
  carbon: SOFT,
};
const STEEL_LIVES = { ...SOFT_LIVES, steel: STEEL };
/** Thick strings keep longer, and the trade gives no figure: twice a guitar's, from memory. */
const BASS: StringLife = { hours: 2 * STEEL.hours, days: 2 * STEEL.days, basis: 'default' };
const BASS_LIVES: Readonly<Record<Core, StringLife>> = {
  steel: BASS,
  synthetic: BASS,
  gut: BASS,
  nylon: BASS,
  carbon: BASS,
};

const OTHER_TUNINGS = [
  { title: 'Lowest string down a tone', notes: namedNotes('D2', 'A2', 'D3', 'G3', 'B3', 'E4') },
  { title: 'All down a semitone', notes: namedNotes('Eb2', 'Ab2', 'Db3', 'Gb3', 'Bb3', 'Eb4') },
  { title: 'All down a tone', notes: namedNotes('D2', 'G2', 'C3', 'F3', 'A3', 'D4') },
  { title: 'Open G', notes: namedNotes('D2', 'G2', 'D3', 'G3', 'B3', 'D4') },
] as const;

/** What guitars are built with besides six strings. From memory, lengths too. */
const SIX: StringLayout = { title: '6 strings', notes: TUNING };
const SEVEN: StringLayout = { title: '7 strings', notes: namedNotes('B1', 'E2', 'A2', 'D3', 'G3', 'B3', 'E4') };
const BARITONE: StringLayout = {
  title: 'Baritone, 6 strings',
  notes: namedNotes('B1', 'E2', 'A2', 'D3', 'F#3', 'B3'),
  lengthMm: 686,
  names: ['B', 'E', 'A', 'D', 'F♯', 'high B'],
};
/** Twelve in six courses: the lower four with their octaves, the upper two doubled. */
const COURSES: StringLayout = {
  title: '12 strings in courses',
  notes: namedNotes('E2', 'E3', 'A2', 'A3', 'D3', 'D4', 'G3', 'G4', 'B3', 'B3', 'E4', 'E4'),
  names: ['6', '6 octave', '5', '5 octave', '4', '4 octave', '3', '3 octave', '2', '2 twin', '1', '1 twin'],
};
const STEEL_LAYOUTS: [StringLayout, ...StringLayout[]] = [
  SIX,
  COURSES,
  SEVEN,
  { title: 'Tenor, 4 strings', notes: namedNotes('C3', 'G3', 'D4', 'A4'), lengthMm: 584 },
  { title: 'Tenor, 4 strings', notes: namedNotes('D3', 'G3', 'B3', 'E4'), lengthMm: 584 },
  BARITONE,
];
const TEN = namedNotes('F#1', 'Ab1', 'Bb1', 'C2', 'E2', 'A2', 'D3', 'G3', 'B3', 'E4');
const CLASSICAL_LAYOUTS: [StringLayout, ...StringLayout[]] = [SIX, SEVEN, { title: '10 strings', notes: TEN }];
const EIGHT: StringLayout = {
  title: '8 strings',
  notes: namedNotes('F#1', 'B1', 'E2', 'A2', 'D3', 'G3', 'B3', 'E4'),
  lengthMm: 686,
};
const ELECTRIC_LAYOUTS: [StringLayout, ...StringLayout[]] = [SIX, SEVEN, EIGHT, COURSES, BARITONE];
const BASS_TUNING = namedNotes('E1', 'A1', 'D2', 'G2');
const BASS_LOW = namedNotes('B0', 'E1', 'A1', 'D2', 'G2');
const BASS_HIGH = namedNotes('E1', 'A1', 'D2', 'G2', 'C3');
const BASS_SIX = namedNotes('B0', 'E1', 'A1', 'D2', 'G2', 'C3');
const BASS_LAYOUTS: [StringLayout, ...StringLayout[]] = [
  { title: '4 strings', notes: BASS_TUNING },
  { title: '5 strings', notes: BASS_LOW },
  { title: '5 strings', notes: BASS_HIGH },
  { title: '6 strings', notes: BASS_SIX },
];

const common = (layouts: [StringLayout, ...StringLayout[]]) => ({
  stringCount: layouts[0].notes.length,
  tuning: tuningOf(layouts, 5),
  layouts,
});
const SIX_NAMES = ['E', 'A', 'D', 'G', 'B', 'high E'] as const;

/** From memory. */
const WIDTHS = { body: 380, neck: 50, board: 55 };

export const guitar = {
  name: 'Guitar',
  bow: null,
  body: null,
  takes: { handed: true, chin: false, endpin: false, stand: true, action: false, bridgeAsked: true },
  usual: { case: 'hard', finish: 'hard', floatingBridge: false },
  sizes: SIZES,
  variants: {
    steel: {
      ...common(STEEL_LAYOUTS),
      name: 'Steel-string guitar',
      stringNames: SIX_NAMES,
      otherTunings: OTHER_TUNINGS,
      lengthMm: bySize,
      usualCore: 'steel',
      lives: STEEL_LIVES,
      wood: usualWood(WIDTHS),
    },
    classical: {
      ...common(CLASSICAL_LAYOUTS),
      name: 'Classical guitar',
      stringNames: SIX_NAMES,
      otherTunings: OTHER_TUNINGS,
      lengthMm: (built, note) => (built.size === null || built.size === '4/4' ? CLASSICAL_MM : bySize(built, note)),
      usualCore: 'nylon',
      lives: SOFT_LIVES,
      wood: usualWood(WIDTHS),
    },
    electric: {
      ...common(ELECTRIC_LAYOUTS),
      name: 'Electric guitar',
      stringNames: SIX_NAMES,
      otherTunings: OTHER_TUNINGS,
      lengthMm: bySize,
      usualCore: 'steel',
      lives: STEEL_LIVES,
      // A solid body has no top that moves; its neck does.
      wood: neckWood(WIDTHS),
    },
    'bass-guitar': {
      ...common(BASS_LAYOUTS),
      name: 'Bass guitar',
      stringNames: ['E', 'A', 'D', 'G'],
      otherTunings: [{ title: 'Lowest string down a tone', notes: namedNotes('D1', 'A1', 'D2', 'G2') }],
      lengthMm: lengthBySize(BASS_SIZES),
      usualCore: 'steel',
      lives: BASS_LIVES,
      wood: neckWood(BASS_WIDTHS),
    },
  },
  strings: {
    temperament: 'equal',
    held: 'post',
    order: 'rising',
    bears: 'neck',
    // A neck answers to a few percent. From memory.
    load: { look: 0.02, setUp: 0.06 },
    driftDays: 3,
    renewed: 'by-brilliance',
    // The brilliance goes in three weeks; the trade changes after three to six months [handbook 4].
    changedAtDays: [21, 3 * MONTH_DAYS, 6 * MONTH_DAYS],
    rule: 'Common practice for guitars: 6 months of light playing, 3 of heavy.',
  },
  pegs: 'geared',
  fretted: true,
  ladder: 'guitar',
  surfaces: ['lacquer', 'bare-wood', 'fretboard', 'plain-strings', 'wound-strings', 'hardware'],
  touched: 'The back of the neck, and the top edge under your forearm.',
  zones: ['strings', 'hand-zones', 'fretboard', 'bridge', 'pegs', 'whole'],
  figures: ['string-gauge', 'action', 'relief', 'action-high'],
  schools: ['place', 'kept', 'air', 'changing', 'beforePlaying', 'checkup'],
  usualSides: {},
} as const satisfies FamilyRecord;
