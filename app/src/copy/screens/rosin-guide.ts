/** What features/RosinGuide.tsx says. */
export const copy = {
  anAdultDoesThis: 'An adult does this.',
} as const;
