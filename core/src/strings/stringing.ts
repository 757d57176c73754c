import { z } from 'zod';
import type { Family, Kind } from '../instruments/families';
import {
  A4_RANGE_HZ,
  harpOctave,
  noteName,
  STANDARD_A4_HZ,
  stringHz,
  TEMPERAMENTS,
  type Note,
  type Temperament,
} from './notes';
import { usualLengthMm, usualTuning } from './tunings';

/** What the player's hands do to strings. */
export const SWEATS = ['low', 'usual', 'corrosive'] as const;
export type Sweat = (typeof SWEATS)[number];

const lengthMm = z
  .number('Give the length in millimetres.')
  .min(40, 'A vibrating length is at least 40 mm. Measure from nut to bridge.')
  .max(2000, 'A vibrating length is at most 2000 mm. Check the unit.');

/** How an instrument is strung and tuned; null: as usual for its family and size. */
export const stringingSchema = z.strictObject({
  /** Nut to bridge. Not for harps. */
  lengthMm: lengthMm.nullable(),
  /** A harp's own lengths by string, lowest first. */
  lengthsMm: z.array(lengthMm.nullable()).max(60).nullable(),
  /** Notes of the open strings, lowest first. */
  tuning: z.array(z.number().int().min(12).max(120)).max(60).nullable(),
  a4Hz: z
    .number('Give the A in Hz, like 440.')
    .min(A4_RANGE_HZ.least, `The A lies between ${A4_RANGE_HZ.least} and ${A4_RANGE_HZ.most} Hz.`)
    .max(A4_RANGE_HZ.most, `The A lies between ${A4_RANGE_HZ.least} and ${A4_RANGE_HZ.most} Hz.`),
  temperament: z.enum(TEMPERAMENTS).nullable(),
  sweat: z.enum(SWEATS),
  /** Diameter of the tuning posts. */
  postMm: z
    .number('Give the diameter in mm.')
    .min(3, 'A post is at least 3 mm thick.')
    .max(20, 'A post is at most 20 mm thick.'),
});
export type Stringing = z.infer<typeof stringingSchema>;

/** Strung and tuned as usual. A tuning post is taken to be 6 mm thick, from memory. */
export const USUAL_STRINGING: Stringing = {
  lengthMm: null,
  lengthsMm: null,
  tuning: null,
  a4Hz: STANDARD_A4_HZ,
  temperament: null,
  sweat: 'usual',
  postMm: 6,
};

export interface StrungFacts {
  family: Family;
  kind: Kind | null;
  size: string | null;
  stringCount: number;
  stringing: Stringing;
}

/** One string of an instrument: what it should sound, and how long it is. */
export interface OpenString {
  position: number;
  note: Note;
  hz: number;
  lengthMm: number;
}

/** Bowed instruments are tuned in pure fifths [handbook 4]; a bass in fourths by its harmonics, guitars and harps equally. */
export function temperamentOf({ family, stringing }: Pick<StrungFacts, 'family' | 'stringing'>): Temperament {
  const fifths = family === 'violin' || family === 'viola' || family === 'cello';
  return stringing.temperament ?? (fifths ? 'fifths' : 'equal');
}

/** The open strings of an instrument, lowest first. */
export function openStrings(facts: StrungFacts): OpenString[] {
  const { family, kind, size, stringCount, stringing } = facts;
  const own = stringing.tuning?.length === stringCount ? stringing.tuning : null;
  const notes = own ?? usualTuning(family, kind, stringCount);
  const hz = stringHz(notes, stringing.a4Hz, temperamentOf(facts));
  return notes.map((note, position) => ({
    position,
    note,
    hz: hz[position]!,
    lengthMm:
      stringing.lengthsMm?.[position] ??
      (family === 'harp' ? null : stringing.lengthMm) ??
      usualLengthMm(family, kind, size, note),
  }));
}

/** A string's name in full: "E5"; on a harp its note with the octave harpists say, "C, 5th octave". */
export function openStringName({ family }: Pick<StrungFacts, 'family'>, note: Note): string {
  if (family !== 'harp') return noteName(note);
  const letter = noteName(note).replace(/-?\d+$/, '');
  return `${letter}, octave ${harpOctave(note)}`;
}
