import { spanWords } from '@/copy/dates';
import { listWords } from '@/copy/lists';

/** What features/year/Year.tsx says. */
export const copy = {
  addAPerformanceExam: 'Add a performance, exam or holiday',
  plannedByDueBetween: ({
    title,
    detail,
    doerTitle,
    early,
    late,
    nowMs,
    timeZone,
  }: {
    title: string;
    detail: string;
    doerTitle: string;
    early: number;
    late: number;
    nowMs: number;
    timeZone: string;
  }) =>
    `${title}, ${detail}: planned, by ${doerTitle.toLowerCase()}; due between ${spanWords(early, late, nowMs, timeZone, 'and')}`,
  theNextVisitTo: (visit: string, items: number) =>
    `The next visit to the workshop: ${visit}${items > 1 ? ', in one trip' : ''}.`,
  nothingToLayOut: 'Nothing to lay out yet',
  sayInKitWhen:
    'Say in Kit when strings were fitted, the bow rehaired and an instrument looked over; their windows then stand here.',
  hideTheChoice: 'Hide the choice',
  nothingOfThisComes: 'Nothing of this comes due within the year.',
  aBeadIsThe: (performances: boolean, heating: boolean, beyond: number) =>
    `A bead is the day planned, the frayed end the window. ${performances ? 'Upright lines are performances and exams. ' : ''}${heating ? 'The band above the months is the heating season.' : ''}${beyond > 0 ? ` ${beyond} more come later than a year from now.` : ''}`,
  noneOnRecordWith: 'None on record. With your performances here, strings and hair are kept away from them.',
  andMoreDates: (more: number) => `And ${more} more dates.`,
  answered: (names: readonly string[]) => `The workshop has answered about ${listWords(names)}`,
  visits: 'Visits to the workshop',
  visitsText: 'What is due gathered into one, sent, answered, brought and fetched back.',
  contacts: 'Whom you call',
  contactsText: 'Luthiers, teachers and dealers, one tap away where they are needed.',
  whatItCosts: 'What it costs',
  theYearAheadWith: 'The year ahead with its range, by the hour played, by yourself or by the shop.',
  inYourCalendar: 'In your calendar',
  downloadItSubscribeTo: 'Download it, subscribe to it, or bring your performances in.',
  outAndInAgain: 'Out and in again',
  theLogAsA: 'The log as a file or for a spreadsheet; a practice diary on record.',
} as const;
