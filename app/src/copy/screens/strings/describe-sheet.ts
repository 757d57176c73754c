import { lengthWords } from '../../measures';
import { fixed } from '../../numbers';
import { shownUnits } from '../../units';

/** What features/strings/DescribeSheet.tsx says. */
export const copy = {
  keptAsASet: 'Kept as a set of your own. Rename it in the cupboard.',
  whatIsOn: 'What is on',
  thatIsOn: 'That is on',
  chooseADescription: 'Choose a description',
  keepWhatIsOn: 'Keep what is on as a set of your own',
  inGeneralTermsA: 'In general terms; a string that differs is put right by itself afterwards. Dates stay as they are.',
  theIsDescribed: (name: string) => `The ${name} is described.`,
  atMmThisNote: (lengthMm: number) =>
    `At ${lengthWords(lengthMm, shownUnits().lengths)} this note would break it. Choose another string, or check gauge, length and note.`,
  atThisLengthAnd: 'At this length and note it stands past what is safe. Bring it up no higher.',
  atOfItsStrength: (percent: number, safeAbove: number, toBreaking: number) =>
    `At ${percent} % of its strength here; safe for ${fixed(safeAbove, 1)} semitones more, and breaks ${fixed(toBreaking, 1)} above.`,
} as const;
