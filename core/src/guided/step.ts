/** What a step's picture shows. */
export const PICTURES = [
  'fine-tuner',
  'loosen',
  'graphite',
  'anchor',
  'peg',
  'post',
  'knot',
  'protector',
  'tune',
  'bridge',
  'stretch',
  'clean',
  'two-hands',
  'shears',
  'tap-stick',
  'rod',
  'fret-end',
  'knuckle',
  'through-f-hole',
  'discs',
  'arm',
  'seated',
  'dab',
  'closed-case',
  'none',
] as const;
export type StepPicture = (typeof PICTURES)[number];

/** One step of a guided job: what to do, how, and what to beware of. */
export interface GuidedStep {
  id: string;
  title: string;
  how: readonly string[];
  caution?: string;
  picture: StepPicture;
}
