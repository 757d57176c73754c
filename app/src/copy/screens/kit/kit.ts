/** What features/kit/Kit.tsx says. */
export const copy = {
  cupboard: 'Cupboard',
  cupboardText: 'Search, what is free, who has what, the day’s work, labels.',
  givenAway: 'Given away',
  givenRow: (to: string, when: string) => `To “${to}”, ${when}`,
  atTheWorkshop: 'at the workshop',
  addAnInstrument: 'Add an instrument',
  householdAndAccount: 'Household and account',
  noInstrumentsYet: 'No instruments yet',
  addTheOneYou: 'Add the one you play most. It takes under a minute; what you don’t know can wait.',
} as const;
