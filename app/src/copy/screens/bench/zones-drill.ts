/** What features/bench/ZonesDrill.tsx says. */
export const copy = {
  tapTheZone: 'Tap the zone',
  specksOfDustLie: 'specks of dust lie on one zone',
} as const;
