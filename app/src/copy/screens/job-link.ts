/** What features/JobLink.tsx says. */
export const copy = {
  job: (title: string) => `Step by step: ${title.charAt(0).toLowerCase()}${title.slice(1)}`,
} as const;
