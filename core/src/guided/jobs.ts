/** Guided jobs of the bench, beside the change of strings, in the order of the bench. */
export const JOB_TITLES = {
  arrival: 'A new instrument',
  wet: 'It got wet',
  fallen: 'It fell or was knocked',
  'bridge-upright': 'The bridge upright again',
  'loose-parts': 'The hunt for a loose part',
  'seam-tour': 'A knuckle round the seams',
  'post-look': 'The post, looked at through the f-hole',
  'pegs-slip': 'Pegs that slip',
  'pegs-stick': 'Pegs that stick',
  'fine-tuner': 'A fine tuner at its end, stiff or loose',
  relief: 'Neck relief, read and eased',
  'fret-ends': 'Sharp fret ends and a dry fretboard',
  'harp-action': 'The action dusted, strings sounded',
  'broken-hair': 'Broken hairs cut off',
  'shake-rosin': 'Too much rosin shaken out',
  residue: 'Residue, rung by rung',
  fit: 'Fitted to who plays',
  'laying-up': 'Going away for long',
  'coming-back': 'Back to one that lay',
} as const;
export type JobId = keyof typeof JOB_TITLES;
export const JOBS = Object.keys(JOB_TITLES) as [JobId, ...JobId[]];
