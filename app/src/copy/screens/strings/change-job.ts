/** What features/strings/ChangeJob.tsx says. */
export const copy = {
  theIsOn: (name: string | undefined) => `The ${name} is on.`,
  allOnNowThey: 'All on. Now they settle.',
  leftOffWhatIs: 'Left off. What is on stays on record.',
  beforeYouBegin: 'Before you begin',
  allStringsAreOn: 'All strings are on',
  confirmIsOn: (name: string | undefined) => `The ${name} is on`,
  oneADayThat: 'One a day: that is enough for today. Pause here, play a little, and take the next one tomorrow.',
} as const;
