/** What features/LogComing.tsx says. */
export const copy = {
  theLog: 'The log of all instruments',
  theLogIsComing: (percent: number) =>
    `The log of all instruments is being fetched: ${percent} %. You can go on, or close this and go on from here later.`,
} as const;
