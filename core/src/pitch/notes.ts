/** Notes by number: 69 is A4, each semitone one more. */
export type Note = number;

export const A4: Note = 69;
/** Standard tuning frequency. Published: ISO 16:1975. */
export const STANDARD_A4_HZ = 440;
/** Bounds of the A that people tune to: low baroque pitch to a fifth above the standard. */
export const A4_RANGE_HZ = { least: 390, most: 470 } as const;

/** equal: twelve equal semitones; fifths: pure fifths (3:2) and fourths outwards from the A string, as bowed instruments are tuned. */
export const TEMPERAMENTS = ['equal', 'fifths'] as const;
export type Temperament = (typeof TEMPERAMENTS)[number];

const LETTERS = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'] as const;
const STEPS: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/**
 * Frequency of a note in twelve-tone equal temperament.
 * @param a4Hz the A it is tuned to
 * @returns Hz
 * @example equalHz(69) // 440
 */
export function equalHz(note: Note, a4Hz = STANDARD_A4_HZ): number {
  return a4Hz * Math.pow(2, (note - A4) / 12);
}

/**
 * How far one frequency lies above another, in cents (hundredths of an equal semitone).
 * @example centsBetween(442, 440) // 7.851
 */
export function centsBetween(hz: number, referenceHz: number): number {
  return 1200 * Math.log2(hz / referenceHz);
}

/**
 * "A4", "E♭3": letter and octave; middle C is C4.
 * @example noteName(69) // 'A4'
 */
export function noteName(note: Note): string {
  return `${LETTERS[((note % 12) + 12) % 12]}${Math.floor(note / 12) - 1}`;
}

/**
 * Reads a note as people write it: letter, sharp or flat, octave; "F#3", "Eb4", "B♭2".
 * @returns null where it is none between C0 and C9
 * @example noteOf('A4') // 69
 */
export function noteOf(text: string): Note | null {
  const match = /^([A-Ga-g])([#♯b♭]?)(-?\d)$/.exec(text.replaceAll(/\s/g, ''));
  if (!match) return null;
  const [, letter, sign, octave] = match;
  const raised = sign === '' ? 0 : sign === '#' || sign === '♯' ? 1 : -1;
  const note = 12 * (Number(octave) + 1) + STEPS[letter!.toUpperCase()]! + raised;
  return note >= 12 && note <= 120 ? note : null;
}

/** Notes by their names, for records. @throws RangeError at a name that is no note */
export function namedNotes(...names: readonly string[]): Note[] {
  return names.map((name) => {
    const note = noteOf(name);
    if (note === null) throw new RangeError(`“${name}” is no note.`);
    return note;
  });
}

/**
 * Notes of the white keys from one to another, both included; what harps are strung with.
 * @example diatonic(60, 72) // [60, 62, 64, 65, 67, 69, 71, 72]
 */
export function diatonic(from: Note, to: Note): Note[] {
  const white = new Set(Object.values(STEPS));
  const notes: Note[] = [];
  for (let note = from; note <= to; note++) if (white.has(note % 12)) notes.push(note);
  return notes;
}

/**
 * Frequencies of an instrument's open strings.
 * In pure fifths each string is three halves, or four thirds, of its neighbour, counted from the string on an A;
 * where neighbours are neither a fifth nor a fourth apart, or no string is an A, that step is tempered.
 * @param notes lowest string first
 * @returns Hz, in the same order
 * @example stringHz([55, 62, 69, 76], 440, 'fifths') // [195.56, 293.33, 440, 660]
 */
export function stringHz(notes: readonly Note[], a4Hz = STANDARD_A4_HZ, temperament: Temperament = 'equal'): number[] {
  const equal = notes.map((note) => equalHz(note, a4Hz));
  if (temperament === 'equal') return equal;
  const root = notes.findIndex((note) => note % 12 === A4 % 12);
  if (root < 0) return equal;
  const hz = [...equal];
  const step = (from: Note, to: Note) => {
    const interval = to - from;
    if (interval === 7) return 3 / 2;
    return interval === 5 ? 4 / 3 : Math.pow(2, interval / 12);
  };
  for (let at = root + 1; at < notes.length; at++) hz[at] = hz[at - 1]! * step(notes[at - 1]!, notes[at]!);
  for (let at = root - 1; at >= 0; at--) hz[at] = hz[at + 1]! / step(notes[at]!, notes[at + 1]!);
  return hz;
}

/**
 * Octave of a harp string as harpists count: octaves run from E down to F and are numbered from the top;
 * the strings above the highest E are octave 0. From memory.
 * @example harpOctave(60) // 4
 */
export function harpOctave(note: Note): number {
  const highestE = 100; // E7
  return note > highestE ? 0 : Math.floor((highestE - note) / 12) + 1;
}
