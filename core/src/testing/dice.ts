/** Looked up once: in the test runner's own world each look at a global takes its time. */
const { imul, sqrt, log, cos, PI } = Math;

/** Seeded uniform numbers in [0, 1), for tests that simulate. */
export function mulberry32(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** Standard normal numbers out of uniform ones (Box and Muller). */
export function normals(uniform: () => number): () => number {
  return () => sqrt(-2 * log(1 - uniform())) * cos(2 * PI * uniform());
}
