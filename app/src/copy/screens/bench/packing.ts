/** What features/bench/Packing.tsx says. */
export const copy = {
  packedForTheWay: 'Packed for the way.',
  stillToLookAt: (left: number) => `${left} still to look at`,
} as const;
