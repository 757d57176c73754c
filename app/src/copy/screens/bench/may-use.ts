/** What features/bench/MayUse.tsx says. */
export const copy = {
  whatMayIUse: 'What may I use?',
  whatIsInYour: 'What is in your hand?',
} as const;
