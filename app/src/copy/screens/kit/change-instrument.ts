/** What features/kit/ChangeInstrument.tsx says. */
export const copy = {
  removeItAndIts: 'Remove it and its log',
  itsSessionsStringsAnd: 'Its sessions, strings and everything else on record go with it. This cannot be undone.',
} as const;
