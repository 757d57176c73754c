/** What features/now/AtWorkshop.tsx says. */
export const copy = {
  title: 'At the workshop',
  since: 'is when it was brought; nobody said when it is to be back',
  expected: (brought: string, late: boolean) => `is when it ${late ? 'was' : 'is'} to be back; brought on ${brought}`,
  meanwhile: 'Nothing is asked of it meanwhile, and nothing is due before it is back.',
  back: 'It is back',
  backDone: 'It is back. Look it over before you play.',
  visit: 'The visit',
  visitText: 'What it was brought for, and what the workshop answered.',
} as const;
