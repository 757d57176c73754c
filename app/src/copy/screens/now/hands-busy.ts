/** What features/now/HandsBusy.tsx says. */
export const copy = {
  closingRoundTembrin: 'Closing round · Tembrin',
  doneTapAnywhere: (title: string) => `Done: ${title}. Tap anywhere`,
  tapAnywhereDone: 'Tap anywhere: done',
} as const;
