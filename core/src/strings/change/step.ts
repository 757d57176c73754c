/** What a step's picture shows. */
export const JOB_PICTURES = [
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
  'none',
] as const;
export type JobPicture = (typeof JOB_PICTURES)[number];

/** One step of a guided change. */
export interface JobStep {
  id: string;
  title: string;
  how: readonly string[];
  caution?: string;
  picture: JobPicture;
}

export const EYES =
  'A string under tension can whip. Turn the face away, and wear glasses when bringing a thin one up.';
export const CHILD = 'A teacher or another adult who has done it fits strings for a child or a beginner.';
