import { listWords } from '../../lists';

/** What features/kit/ChangeInstrument.tsx says. */
export const copy = {
  removeItAndIts: 'Remove it and its log',
  itsSessionsStringsAnd: 'Its sessions, strings and everything else on record go with it. This cannot be undone.',
  bowsLoseWhatWas: (names: readonly string[]) =>
    `${listWords(names)} ${names.length === 1 ? 'is' : 'are'} played on others too: what was played and done here no longer counts for ${names.length === 1 ? 'it' : 'them'}.`,
} as const;
