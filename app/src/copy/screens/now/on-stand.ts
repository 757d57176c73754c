/** What features/now/OnStand.tsx says. */
export const copy = {
  isOnTheStand: (name: string, kind: string) => `${name}, ${kind}, is on the stand. Put another there`,
  onTheStand: 'On the stand',
} as const;
