/** What features/bench/BowDrawing.tsx says. */
export const copy = {
  aBowTheGap: (gapMm: number, curve: 'curves inwards' | 'is straight' | 'bends outwards', looseMm: number) =>
    `A bow: the gap is ${gapMm.toFixed(1)} mm, the stick ${curve}, the hair ${looseMm > 0 ? 'lies loose' : 'is pulled'}.`,
} as const;
