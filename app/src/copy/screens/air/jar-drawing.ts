import { humidityWords } from '@/copy/measures';

/** What features/air/JarDrawing.tsx says. */
export const copy = {
  aSealedJarWith: (rh: number) =>
    `A sealed jar with a cap of wet salt and a hygrometer beside it: ${humidityWords(rh, 1)} inside`,
} as const;
