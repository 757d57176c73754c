import { lastingWords } from '@/copy/dates';

/** What features/year/DueItem.tsx says. */
export const copy = {
  brief: 'Write the brief for the workshop',
  noLongerDue: 'No longer due',
  itWasDoneOr: 'It was done, or its instrument is gone. The year has what comes next.',
  backToWhereThe: 'Back to where the rule puts it.',
  planItFor: (date: string) => `Plan it for ${date}`,
  changeStringsStepBy: 'Change strings, step by step',
  leaveItToThe: 'Leave it to the rule',
  itFallsIntoThe: (keepsClear: number, title: string) =>
    `It falls into the ${keepsClear} days before ${title} in which this is better left alone.`,
  aWeekSooner: 'A week sooner',
  aWeekLater: 'A week later',
  aMonthLater: 'A month later',
  onTheDay: 'On the day',
  chanceThatItIs: (percent: string) => `Chance that it is spent by then: ${percent}.`,
  theChanceThatIt: ({
    movedMs,
    moved,
    before,
    after,
  }: {
    movedMs: number;
    moved: number;
    before: string;
    after: string;
  }) =>
    `${lastingWords(movedMs)} ${moved > 0 ? 'later' : 'sooner'}: the chance that it is spent by then goes from ${before} to ${after}.`,
  leftAloneBeforeA: 'Left alone before a performance',
  inOneVisitWith: 'In one visit with',
} as const;
