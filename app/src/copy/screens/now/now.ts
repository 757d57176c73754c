/** What features/now/Now.tsx says. */
export const copy = {
  nothingYet: 'No instrument yet',
  nothingYetText: 'Ask who keeps the household to say what you play, or what you look after. It stands here then.',
} as const;
