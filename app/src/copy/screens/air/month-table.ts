/** What features/air/MonthTable.tsx says. */
export const copy = {
  theYearByMonths: 'The year by months, in percent',
} as const;
