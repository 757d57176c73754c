/** Small guides for the rosin that is not everyday [handbook 1.5]. */
export const ROSIN_GUIDES = ['new-hair', 'new-cake', 'too-much'] as const;
export type RosinGuideId = (typeof ROSIN_GUIDES)[number];

export interface RosinGuide {
  title: string;
  steps: readonly string[];
  caution?: string;
  /** A child needs an adult for it. */
  adult: boolean;
}

export const ROSIN_GUIDE_DATA: Readonly<Record<RosinGuideId, RosinGuide>> = {
  'new-hair': {
    title: 'New hair',
    steps: [
      'Hold the cake by its cloth or box; fingers touch neither rosin nor hair.',
      'Draw the bow over it in many light passes. New hair takes minutes, not passes you can count on your hands.',
      'Do not press: lumps stick to the hair and scratch the sound.',
      'Stop when it looks evenly white, and test it by the sound, never with a finger.',
    ],
    caution: 'Rosin dust irritates the lungs: wipe it off, do not blow.',
    adult: false,
  },
  'new-cake': {
    title: 'A new cake',
    steps: [
      'A glossy cake gives nothing until it is scuffed.',
      'Scratch a fine grid over its face with a key or a blade.',
      'Wipe the loose dust off, then rosin as always.',
    ],
    caution: 'A blade can slip: an adult does it.',
    adult: true,
  },
  'too-much': {
    title: 'Too much rosin',
    steps: [
      'The signs: a cloud of dust at each stroke, a gritty tone.',
      'Wipe the strings with the dry cloth.',
      'Slacken the bow, and tap the stick lightly against your hand to shake it out.',
      'Tighten, play, listen. Skip the rosin until the tone slips again.',
    ],
    caution: 'Rosin dust irritates the lungs: hold it away from the face.',
    adult: false,
  },
};
