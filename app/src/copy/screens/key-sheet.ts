/** What features/KeySheet.tsx says. */
export const copy = {
  showTheKeys: 'Show the keys',
  keysOnThisScreen: 'Keys on this screen',
} as const;
