import { equalHz } from '../pitch';
import { MONTH_DAYS } from '../time';
import { mmOfThousandths } from '../units';
import type { FamilyRecord, SetPreset, SizeFacts, StringLife, VariantRecord } from './family';
import { lengthBySize } from './sizes';
import { extendedBelow, notes } from './pitch-lines';
import { plainString, statedString, woundString, type Core, type Winding } from './string-spec';
import { neckWood, usualWood } from './woods';

const TUNING = notes('E2', 'A2', 'D3', 'G3', 'B3', 'E4');

/** Vibrating lengths [handbook 4, from memory; smaller ones from memory]. */
const SIZES = {
  '4/4': { lengthMm: 648, bodyScale: 1 },
  '3/4': { lengthMm: 580, bodyScale: 0.94 },
  '1/2': { lengthMm: 530, bodyScale: 0.87 },
} satisfies Record<string, SizeFacts>;
const bySize = lengthBySize(SIZES);
const CLASSICAL_MM = 650;

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

/** Sets named by their gauges in thousandths of an inch, highest to lowest as packets do; wound ones are estimated from their gauge. */
function gaugedSet(
  id: string,
  title: string,
  winding: Winding,
  plain: readonly number[],
  wound: readonly number[],
): SetPreset {
  return {
    id,
    title,
    strings: [
      ...[...wound].reverse().map((gauge) => woundString('steel', winding, mmOfThousandths(gauge))),
      ...[...plain].reverse().map((gauge) => plainString('steel', mmOfThousandths(gauge))),
    ],
  };
}

/** A nylon set by what each string pulls at the classical length, lowest first; tensions are from memory. */
function nylonSet(id: string, title: string, tensions: readonly number[]): SetPreset {
  return {
    id,
    title,
    strings: tensions.map((tensionN, position) =>
      statedString('nylon', position < 3 ? 'silver' : 'plain', {
        tensionN,
        lengthMm: CLASSICAL_MM,
        hz: equalHz(TUNING[position]!),
      }),
    ),
  };
}

const fitting =
  (sets: readonly SetPreset[]): VariantRecord['sets'] =>
  (strings) =>
    sets.filter((set) => set.strings.length === strings.length);

const COMMON = {
  stringCount: 6,
  stringNames: ['E', 'A', 'D', 'G', 'B', 'high E'],
  tuning: extendedBelow(TUNING, 5),
  otherTunings: [
    { title: 'Lowest string down a tone', notes: notes('D2', 'A2', 'D3', 'G3', 'B3', 'E4') },
    { title: 'All down a semitone', notes: notes('Eb2', 'Ab2', 'Db3', 'Gb3', 'Bb3', 'Eb4') },
    { title: 'All down a tone', notes: notes('D2', 'G2', 'C3', 'F3', 'A3', 'D4') },
    { title: 'Open G', notes: notes('D2', 'G2', 'D3', 'G3', 'B3', 'D4') },
  ],
  layouts: [],
} as const;

/** From memory. */
const WIDTHS = { body: 380, neck: 50, board: 55 };

export const guitar = {
  name: 'Guitar',
  bow: null,
  takes: { chin: false, endpin: false, stand: true, action: false, bridgeAsked: true },
  usual: { case: 'hard', finish: 'hard', floatingBridge: false },
  sizes: SIZES,
  variants: {
    steel: {
      ...COMMON,
      name: 'Steel-string guitar',
      lengthMm: bySize,
      usualCore: 'steel',
      lives: STEEL_LIVES,
      sets: fitting([
        gaugedSet('steel-extra-light', 'Extra light .010–.047', 'bronze', [10, 14], [23, 30, 39, 47]),
        gaugedSet('steel-light', 'Light .012–.053', 'bronze', [12, 16], [24, 32, 42, 53]),
        gaugedSet('steel-medium', 'Medium .013–.056', 'bronze', [13, 17], [26, 35, 45, 56]),
      ]),
      wood: usualWood(WIDTHS),
    },
    classical: {
      ...COMMON,
      name: 'Classical guitar',
      lengthMm: (size, note) => (size === null || size === '4/4' ? CLASSICAL_MM : bySize(size, note)),
      usualCore: 'nylon',
      lives: SOFT_LIVES,
      sets: fitting([
        nylonSet('classical-normal', 'Normal tension nylon', [65, 70, 71, 54, 53, 69]),
        nylonSet('classical-high', 'High tension nylon', [69, 74, 75, 58, 56, 73]),
      ]),
      wood: usualWood(WIDTHS),
    },
    electric: {
      ...COMMON,
      name: 'Electric guitar',
      lengthMm: bySize,
      usualCore: 'steel',
      lives: STEEL_LIVES,
      sets: fitting([
        gaugedSet('electric-light', 'Light .009–.042', 'nickel-plated', [9, 11, 16], [24, 32, 42]),
        gaugedSet('electric-regular', 'Regular .010–.046', 'nickel-plated', [10, 13, 17], [26, 36, 46]),
        gaugedSet('electric-medium', 'Medium .011–.049', 'nickel-plated', [11, 14, 18], [28, 38, 49]),
      ]),
      // A solid body has no top that moves; its neck does.
      wood: neckWood(WIDTHS),
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
  figures: ['string-gauge', 'action', 'relief'],
  schools: ['place', 'kept', 'air', 'changing', 'beforePlaying', 'checkup'],
  usualSides: {},
} as const satisfies FamilyRecord;
