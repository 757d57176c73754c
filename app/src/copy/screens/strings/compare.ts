import { lengthFigure, lengthWords, type LengthUnit } from '../../measures';
import { forceWords } from '@/copy/amounts';
import { type ForceUnit } from '@/copy/measures';

/** What features/strings/CompareScreen.tsx says. */
export const copy = {
  putThisSetOn: 'Put this set on, step by step',
  inAllThen: (totalN: number, forces: ForceUnit, totalN2: number) =>
    `in all: ${forceWords(totalN, forces)}, then ${forceWords(totalN2, forces)}`,
  theWouldBreakAt: (named: string) =>
    `The ${named} would break at this pitch. Choose a shorter length, a lower note or other strings.`,
  theWouldStandPast: (named: string) => `The ${named} would stand past what is safe for a plain string.`,
  oldAndNewPull: 'Old and new pull',
  aRingIsWhat: 'A ring is what pulls now; the string is stretched as far as it would pull.',
  whatIsOn: 'What is on',
  asItIs: 'As it is',
  aInHz: 'A, in Hz',
  theALiesBetween: (least: number, most: number) => `The A lies between ${least} and ${most} Hz.`,
  nutToBridgeIn: (unit: LengthUnit) => `Nut to bridge, in ${unit}`,
  betweenAndMmMeasure: (unit: LengthUnit) =>
    `Between ${lengthFigure(40, unit)} and ${lengthWords(2000, unit)}. Measure from nut to bridge.`,
} as const;
