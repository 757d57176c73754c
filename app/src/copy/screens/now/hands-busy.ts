/** What features/now/HandsBusy.tsx says. */
export const copy = {
  closingRoundTembrin: 'Closing round · Tembrin',
  tapAnywhereDone: 'Tap anywhere: done',
} as const;
