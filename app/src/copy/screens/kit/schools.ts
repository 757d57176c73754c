import { type Side } from '@tembrin/core/schools';

/** What features/kit/Schools.tsx says. */
export const copy = {
  practitionersDifferHereAnd:
    'Practitioners differ here, and each side has its reason. What you choose holds for all your instruments; any of them can go its own way.',
  forAloneWhatYou: (name: string) => `For ${name} alone. What you leave follows the household.`,
  asTheHousehold: (household: Side) => `As the household: ${household}`,
} as const;
