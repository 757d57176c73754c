import { MONTH_DAYS } from '../time';
import type { SizeFacts, StringLayout, StringLife, VariantRecord } from './family';
import { tuningOf } from './pitch-lines';
import { lengthBySize } from './sizes';
import type { Core } from './string-spec';

/** What bowed families have in common. Each states its own figures; what is here is how they are laid out. */

/** 12 months at half an hour a day, 6 at two hours [handbook 4]. */
const TRADE: StringLife = { hours: 547, days: 547, basis: 'trade' };
/** Gut has no rule in the trade's own figures: a stated default, from memory. */
const GUT: StringLife = { hours: 0.6 * TRADE.hours, days: 0.6 * TRADE.days, basis: 'default' };

/** Life of bowed strings by core, as the trade gives it for all bowed instruments together. */
const BOWED_LIVES: Readonly<Record<Core, StringLife>> = {
  steel: TRADE,
  synthetic: TRADE,
  gut: GUT,
  // Not sold for bowed instruments; should somebody say so, the trade's rule for all bowed strings holds.
  nylon: TRADE,
  carbon: TRADE,
};

/** What the trade says of all of them, in a sentence. */
export const BOWED_RULE = 'Common practice for bowed strings: 12 months at half an hour a day, 6 at two hours.';

export const BOWED_ZONES = [
  'bow-hair',
  'bow-stick',
  'bow-screw',
  'strings',
  'rosin-zones',
  'hand-zones',
  'under-tailpiece',
  'fretboard',
  'bridge',
  'pegs',
  'whole',
] as const;

/** What is read of all of them, beside their fit. */
export const BOWED_FIGURES = [
  'bow-turns',
  'bow-gap',
  'bridge-angle',
  'bridge-offset',
  'height-low',
  'height-high',
  'bow-band-tip',
  'bow-band-mid',
  'bow-band-frog',
  'bow-hairs-broken',
  'bow-stick-bend',
  'bow-camber',
] as const;

/** A year and half a year: the trade's own range [handbook 4]. */
export const BOWED_STRINGS = {
  held: 'peg',
  order: 'outside-in',
  bears: 'bridge-and-post',
  // Stiffer than a guitar's neck. From memory.
  load: { look: 0.05, setUp: 0.12 },
  driftDays: 5,
  renewed: 'by-wear',
  changedAtDays: [6 * MONTH_DAYS, 12 * MONTH_DAYS],
  rule: BOWED_RULE,
} as const;

/** How all of them are built and treated. */
export const BOWED_BUILD = {
  body: null,
  pegs: 'wooden',
  fretted: false,
  ladder: 'bowed',
  surfaces: ['varnish', 'bare-wood', 'fretboard', 'plain-strings', 'wound-strings', 'hair', 'hardware'],
  schools: [
    'place',
    'rosinEnds',
    'slack',
    'cloths',
    'cleaner',
    'frogHair',
    'air',
    'changing',
    'beforePlaying',
    'checkup',
  ],
  usualSides: {},
} as const;

/**
 * What follows from the strings it is built with and its sizes, by the trade's life for all of them.
 * @param layouts the usual strings first
 * @param semitones between strings that are added below, where there are more than any layout has
 */
export function bowedStrings(
  layouts: readonly [StringLayout, ...StringLayout[]],
  sizes: Readonly<Record<string, SizeFacts>>,
  semitones: number,
) {
  return {
    stringCount: layouts[0].notes.length,
    tuning: tuningOf(layouts, semitones),
    otherTunings: [] as VariantRecord['otherTunings'],
    layouts,
    lengthMm: lengthBySize(sizes),
    lives: BOWED_LIVES,
  };
}
