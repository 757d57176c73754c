/** What features/air/ChartWords.tsx says. */
export const copy = {
  airLowMeanHigh: 'air: low, mean, high',
  levelOfTheSeason: 'level of the season',
} as const;
