/** What features/now/Panes.tsx says. */
export const copy = {
  whatIsDue: 'What is due',
} as const;
