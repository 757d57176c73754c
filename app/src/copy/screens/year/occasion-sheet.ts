/** What features/year/OccasionSheet.tsx says. */
export const copy = {
  isOnRecord: (title: string) => `${title} is on record.`,
  aDayThatMatters: 'A day that matters',
  whatItIs: 'What it is',
  itTakesPlaceOn: (dates: number) => `It takes place on ${dates} dates, as its calendar said.`,
  untilIfItIs: 'Until, if it is longer than a day',
} as const;

export const OCCASION_TITLES = {
  performance: 'Performance',
  exam: 'Exam',
  lesson: 'Lesson or rehearsal',
  holiday: 'Holiday',
} as const;
