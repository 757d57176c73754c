export interface Moment {
  nowMs: number;
  timeZone: string;
}

/** "a", "a and b", "a, b and c". */
export function listWords(items: readonly string[]): string {
  return items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`;
}

/** Choices by their values, in the order in which they stand. */
export function optionsOf<V extends string>(titles: Readonly<Record<V, string>>): { value: V; title: string }[] {
  return (Object.entries(titles) as [V, string][]).map(([value, title]) => ({ value, title }));
}
