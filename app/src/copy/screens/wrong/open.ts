/** What features/wrong/OpenTroubles.tsx says. */
export const copy = {
  wrong: (symptoms: string) => `Something is wrong: ${symptoms.charAt(0).toLowerCase()}${symptoms.slice(1)}`,
  takeUp: (when: string) => `Noticed ${when}. Take it up.`,
  more: (count: number) => (count === 1 ? 'One more thing is wrong' : `${count} more things are wrong`),
  danger: (titles: string) => `Do not play it before this is ruled out: ${titles}.`,
} as const;
