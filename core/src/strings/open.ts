import { builtOf, notesOf, recordOf, variantOf, type InstrumentFacts } from '../instruments';
import { harpOctave, noteName, stringHz, type Note, type Temperament } from '../pitch';

export type StrungFacts = Pick<InstrumentFacts, 'family' | 'kind' | 'size' | 'stringCount' | 'stringing' | 'setUp'>;

/** One string of an instrument: what it should sound, and how long it is. */
export interface OpenString {
  position: number;
  note: Note;
  hz: number;
  lengthMm: number;
}

/** How it is tuned: as the player said, else as its family usually is. */
export function temperamentOf({ family, stringing }: Pick<StrungFacts, 'family' | 'stringing'>): Temperament {
  return stringing.temperament ?? recordOf(family).strings.temperament;
}

/** The open strings of an instrument, lowest first. */
export function openStrings(facts: StrungFacts): OpenString[] {
  const { stringing } = facts;
  const variant = variantOf(facts);
  const notes = notesOf(facts);
  const hz = stringHz(notes, stringing.a4Hz, temperamentOf(facts));
  return notes.map((note, position) => ({
    position,
    note,
    hz: hz[position]!,
    lengthMm:
      stringing.lengthsMm?.[position] ??
      (hasOneLength(facts) ? stringing.lengthMm : null) ??
      variant.lengthMm(builtOf(facts), note),
  }));
}

/** Whether all strings run from one nut to one bridge; a harp's are each of their own length. */
export function hasOneLength({ family }: Pick<StrungFacts, 'family'>): boolean {
  return recordOf(family).sizes !== null;
}

/** A string's name in full: "E5"; on a harp its note with the octave harpists say, "C, octave 5". */
export function openStringName({ family }: Pick<StrungFacts, 'family'>, note: Note): string {
  if (recordOf(family).strings.held !== 'knot') return noteName(note);
  const letter = noteName(note).replace(/(?<!\d)-?\d+$/, '');
  return `${letter}, octave ${harpOctave(note)}`;
}
