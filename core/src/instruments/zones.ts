/** Named zones of the plate: where a step is done, what a tap means, what residue lies on. */
export const ZONES = [
  'bow-hair',
  'bow-stick',
  'bow-screw',
  'strings',
  'rosin-zones',
  'hand-zones',
  'shoulder-rest',
  'chin-rest',
  'under-tailpiece',
  'fretboard',
  'bridge',
  'pegs',
  'endpin',
  'action',
  'whole',
] as const;
export type Zone = (typeof ZONES)[number];
