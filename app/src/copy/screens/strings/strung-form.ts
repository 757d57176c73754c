import { type Sweat } from '@tembrin/core/instruments';
/** What features/strings/StrungForm.tsx says. */
export const copy = {
  writeANoteWith: 'Write a note with its octave, like C2.',
  fromTheLowestNote: 'From the lowest note to the highest, at most 60 strings.',
  isNoNoteWrite: (wrong: string) => `“${wrong}” is no note. Write letter and octave, like G3 or F#2.`,
  notesForStringsGive: (notes: number, stringCount: number) =>
    `${notes} notes for ${stringCount} strings. Give each string its note, the lowest first.`,
  strungAndTuned: 'Strung and tuned',
  aCommonRange: 'A common range',
  notesTheLowestString: 'Notes, the lowest string first',
  nutToBridgeIn: 'Nut to bridge, in mm',
  leaveItEmptyFor: (usualLengthMm: number) => `Leave it empty for the usual ${usualLengthMm} mm; measure for yours.`,
  aInHz: 'A, in Hz',
  thePlayersHands: 'The player’s hands',
  diameterOfATuning: 'Diameter of a tuning post, in mm',
  itTellsHowMuch: 'It tells how much slack to leave for the wraps.',
  lengthsOfTheStrings:
    'Lengths of the strings are taken as on most harps of this range, from memory; pulls are as exact as they are.',
} as const;

export const SWEAT_TITLES: Readonly<Record<Sweat, string>> = {
  low: 'Dry hands',
  usual: 'Ordinary',
  corrosive: 'They tarnish strings quickly',
};
