import { FAMILY_FACTS, type StepId } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';

export interface StepWords {
  title: string;
  /** What exactly to do. */
  how: string;
  why: string;
}

const BOWED_CASE: Readonly<Record<'hard' | 'soft', string>> = {
  hard: 'Bow tip first into its holder, hair clear. Nothing loose inside. Fasten every latch before it leaves the flat surface.',
  soft: 'Endpin in, scroll first, bridge forwards, nothing forced. The bow goes in last, tip down. Close every zip.',
};

/** A closing-round step in words, for one instrument. */
export function stepWords(step: StepId, { family, setUp }: Pick<Instrument, 'family' | 'setUp'>): StepWords {
  const { bowed } = FAMILY_FACTS[family];
  switch (step) {
    case 'slacken':
      return {
        title: 'Slacken the bow',
        how: 'Turn the screw until the hair just rests together. Not until it hangs, and never until the screw comes out.',
        why: 'A bow left tight warps, and its hair stretches.',
      };
    case 'wipe-stick':
      return {
        title: 'Wipe the stick',
        how: 'Cloth round the stick and the frog, never on the hair.',
        why: 'Rosin and sweat harden on the wood.',
      };
    case 'wipe-strings':
      return {
        title: 'Wipe the strings',
        how: 'Dry cloth, a fresh fold for each string, along its length, one way. Squeaking is fine.',
        why: bowed ? 'Rosin cakes and dulls the tone within days.' : 'Acid from the fingers corrodes them.',
      };
    case 'wipe-rosin':
      return {
        title: 'Wipe the rosin zones',
        how: 'Between bridge and fingerboard under the strings, the end of the fingerboard, under the tailpiece, round the bridge feet.',
        why: 'Fresh it comes off in seconds; after days it is hard and eats into the varnish.',
      };
    case 'wipe-hands':
      return { title: 'Wipe where hands were', ...HAND_ZONES[family], why: 'Sweat and skin oil eat finishes.' };
    case 'rest-off':
      return {
        title: 'Shoulder rest off',
        how: 'It goes into its pocket, not under the lid.',
        why: 'A lid closed over a rest presses the bridge into the top.',
      };
    case 'case':
      return {
        title: 'Into the case',
        how: bowed
          ? BOWED_CASE[setUp.case === 'soft' ? 'soft' : 'hard']
          : 'Nothing loose inside. Close every latch or zip before it leaves the flat surface.',
        why: 'Most harm happens to instruments left lying out.',
      };
  }
}

const HAND_ZONES: Readonly<Record<Instrument['family'], { how: string }>> = {
  violin: { how: 'With the second cloth: neck, shoulders, chin rest, ribs.' },
  viola: { how: 'With the second cloth: neck, shoulders, chin rest, ribs.' },
  cello: { how: 'With the second cloth: neck, shoulders, and the ribs where your knees were.' },
  bass: { how: 'With the second cloth: neck, shoulders, and the edge that leant on you.' },
  guitar: { how: 'The back of the neck, and the top edge under your forearm.' },
  harp: { how: 'Where your arms rest on the body, and where your knees touch.' },
};
