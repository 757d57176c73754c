/** What features/strings/StringRange.tsx says. */
export const copy = {
  theStringsAreNumbered: (count: number) => `The strings are numbered 1 to ${count}, from the top.`,
  fromStringNumber: 'From string number',
  toStringNumber: 'To string number',
  theHigherNumberComes: 'The higher number comes second.',
} as const;
