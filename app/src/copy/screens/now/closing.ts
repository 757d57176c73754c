/** What features/now/Closing.tsx says. */
export const copy = {
  theRoundIsDone: 'The round is done.',
  theRoundIsDoneSkipped: (skipped: number) => `The round is done, ${skipped} skipped.`,
  takeTheLastAnswer: 'Take the last answer back',
  skipTheStep: 'Skip the step',
  leaveTheRoundFor: 'Leave the round for later',
} as const;
