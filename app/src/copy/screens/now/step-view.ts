import { type RoundStep } from '@tembrin/core/routines';
import { lastingWords } from '@/copy/dates';

/** What features/now/StepView.tsx says. */
export const copy = {
  closingRoundTembrin: 'Closing round · Tembrin',
  playedStepOf: ({ name, playedMs, step, steps }: { name: string; playedMs: number; step: number; steps: number }) =>
    `${name}, ${lastingWords(playedMs)} played. Step ${step} of ${steps}`,
  anAdultDoesThis: 'An adult does this',
} as const;

export const TOOL_WORDS: Readonly<Record<RoundStep['data']['tool'], string | null>> = {
  hands: null,
  none: null,
  rosin: null,
  'dry cloth': 'Dry cloth',
  'second cloth': 'Second cloth',
  brush: 'Brush',
  'cleaner on a cloth': 'Cleaner on a cloth',
};
