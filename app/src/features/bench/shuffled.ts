/** The same things in an order left to chance. */
export function shuffled<T>(things: readonly T[]): T[] {
  const left = [...things];
  const mixed: T[] = [];
  while (left.length > 0) mixed.push(...left.splice(Math.floor(Math.random() * left.length), 1));
  return mixed;
}
