/** What features/LogComing.tsx says. */
export const copy = {
  theLog: 'The log of all instruments',
  theLogIsComing: (percent: number) =>
    `The log is being fetched: ${percent} %. You can go on, or close this: it goes on from here.`,
} as const;
