/** What something may be put on. */
export const SURFACES = [
  'varnish',
  'lacquer',
  'bare-wood',
  'fretboard',
  'plain-strings',
  'wound-strings',
  'hair',
  'hardware',
  'harp-body',
] as const;
export type Surface = (typeof SURFACES)[number];
