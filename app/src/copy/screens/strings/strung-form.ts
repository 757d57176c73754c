import type { LengthUnit } from '../../measures';
/** What features/strings/StrungForm.tsx says. */
export const copy = {
  writeANoteWith: 'Write a note with its octave, like C2.',
  fromTheLowestNote: 'From the lowest note to the highest, at most 60 strings.',
  isNoNoteWrite: (wrong: string) => `“${wrong}” is no note. Write letter and octave, like G3 or F#2.`,
  notesForStringsGive: (notes: number, stringCount: number) =>
    `${notes} notes for ${stringCount} strings. Give each string its note, the lowest first.`,
  strungAndTuned: 'Strung and tuned',
  aCommonRange: 'A common range',
  builtFor: 'Strings it is built for',
  notesTheLowestString: 'Notes, the lowest string first',
  nutToBridgeIn: (unit: LengthUnit) => `Nut to bridge, in ${unit}`,
  leaveItEmptyFor: (usual: string) => `Leave it empty for the usual ${usual}; measure for yours.`,
  aInHz: 'A, in Hz',
  thePlayersHands: 'The player’s hands',
  whosePlaysSaid: (names: string) => `What ${names} said of their own hands comes before this.`,
  diameterOfATuning: (unit: LengthUnit) => `Diameter of a tuning post, in ${unit}`,
  itTellsHowMuch: 'It tells how much slack to leave for the wraps.',
  lengthsStringByString: 'Lengths, string by string',
  lengthsOfTheStrings: (unit: LengthUnit) =>
    `Each in ${unit}, from the knot or the nut to where it stops. One left empty is taken as on most of its kind, from memory; pulls are as exact as the lengths are.`,
  giveEachItsLength: 'Give each string its length',
  lengthOf: (name: string) => `Length of ${name}`,
  usually: (length: string) => `usually ${length}`,
} as const;
