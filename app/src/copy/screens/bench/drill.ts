/** What features/bench/Drill.tsx says. */
export const copy = {
  backToTheBench: 'Back to the bench',
  theRestIsWorth: 'The rest is worth another look.',
  theClosingRoundSpells: 'The closing round spells these out while they keep being missed.',
} as const;
