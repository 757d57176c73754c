/** What features/strings/sets.ts says. */
export const copy = {
  inTheCupboard: (title: string) => `${title} (in the cupboard)`,
} as const;
