/** What app/+not-found.tsx says. */
export const copy = {
  toTheStand: 'To the stand',
  noSuchPage: 'There is no such page. It may have been about an instrument that was removed.',
} as const;
