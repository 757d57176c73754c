/** What features/kit/AddInstrument.tsx says. */
export const copy = {
  whatDoYouPlay: 'What do you play?',
  putItOnThe: 'Put it on the stand',
  allOfThisCan: 'All of this can be skipped. What is missing is asked for when it matters.',
} as const;
