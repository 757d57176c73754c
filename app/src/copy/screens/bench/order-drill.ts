/** What features/bench/OrderDrill.tsx says. */
export const copy = {
  notYetBeforeThat: (title: string, why: string) => `Not yet. Before that: ${title.toLowerCase()}. ${why}`,
  stillToTap: (left: number) => `${left} still to tap`,
  inOrderSoFar: 'In order so far',
} as const;
