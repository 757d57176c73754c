import { measureWords } from '@/copy/measures';
import { shownUnits } from '@/copy/units';
/** What features/bench/BowDrawing.tsx says. */
export const copy = {
  aBowTheGap: (gapMm: number, curve: 'curves inwards' | 'is straight' | 'bends outwards', looseMm: number) =>
    `A bow: the gap is ${measureWords('bow-gap', gapMm, shownUnits().lengths)}, the stick ${curve}, the hair ${looseMm > 0 ? 'lies loose' : 'is pulled'}.`,
} as const;
