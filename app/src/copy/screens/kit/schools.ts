import { type Side } from '@tembrin/core/schools';

/** What features/kit/Schools.tsx says. */
export const copy = {
  practitionersDifferHereAnd:
    'Practitioners differ here, and each side has its reason. What you choose holds for all your instruments; any of them can go its own way.',
  forAloneWhatYou: (name: string) => `For ${name} alone. What you leave follows who plays it, then the household.`,
  asWhoPlaysIt: (side: Side) => `As who plays it: ${side}`,
  theyDiffer: (names: string) =>
    `${names} differ here: for what wears, the household’s holds; at the stand each has their own.`,
  asTheHousehold: (household: Side) => `As the household: ${household}`,
} as const;
