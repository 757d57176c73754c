import { type CaseFault } from '@tembrin/core/learning';
/** What features/bench/CaseDrawing.tsx says. */
export const copy = {
  anOpenCase: (words: string) => `An open case: ${words}.`,
} as const;

/** What an eye sees in the case, for those who cannot look: as it is, not as it should be. */
export const SEEN: Readonly<Record<CaseFault, readonly [fine: string, wrong: string]>> = {
  'rest-on': ['the back of the violin is bare', 'the shoulder rest sits on the violin'],
  'bow-loose': ['the bow is held at the tip', 'the bow lies beside its holder'],
  'bow-tight': ['its hair lies at the stick', 'its hair is pulled away from the stick'],
  pencil: ['the pencil is in its pocket', 'a pencil lies beside the scroll'],
  'strings-dusty': ['the strings shine', 'the strings are white'],
  'rosin-open': ['the rosin is in its box', 'the rosin lies beside its box'],
};
