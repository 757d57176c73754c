/** What features/part/FittedSheet.tsx says. */
export const copy = {
  chooseWhichStrings: 'Choose which strings.',
  theWholeSet: 'The whole set',
  whatWentOn: 'What went on?',
  theSameAsBefore: 'The same as before',
  whoFittedThem: 'Who fitted them?',
} as const;
