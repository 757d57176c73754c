import { type JobPicture } from '@tembrin/core/strings';

export const LABELS: Readonly<Record<JobPicture, string>> = {
  'fine-tuner': 'A fine tuner on the tailpiece, its screw turned out',
  loosen: 'A string slackened between nut and bridge',
  graphite: 'A pencil drawn through the grooves of the bridge',
  anchor: 'The ball of a string seated in its slot',
  peg: 'A string through its peg: one turn across itself, then turn beside turn outwards',
  post: 'A string wound down a tuning post, each wrap below the one before',
  knot: 'A knot under the soundboard',
  protector: 'A sleeve under the thinnest string on the bridge',
  tune: 'A string brought up to its pitch from below',
  bridge: 'A bridge from the side: its back face at a right angle to the top',
  stretch: 'A string drawn a finger’s breadth off the fretboard',
  clean: 'A cloth along a bare fretboard',
  none: '',
};
