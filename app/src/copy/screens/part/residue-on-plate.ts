/** What features/part/ResidueOnPlate.tsx says. */
export const copy = {
  nothingToDo: (zoneName: string) => `${zoneName}: nothing to do`,
  nothingWasPlayedSince: 'Nothing was played since it was wiped.',
  alwaysTheMildestRung:
    'Always the mildest rung that works. Never furniture polish, wax, silicone, ammonia, wipes, or anything sprayed on.',
} as const;
