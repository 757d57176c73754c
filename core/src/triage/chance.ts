/** Stated classes of chance: what people mean by the words, in values that are fixed. From memory. */
export const CHANCES = {
  'almost-always': 0.95,
  usually: 0.75,
  often: 0.5,
  sometimes: 0.2,
  rarely: 0.05,
  'almost-never': 0.01,
} as const;
export type Chance = keyof typeof CHANCES;
