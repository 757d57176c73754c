import { BOWED, ON_ENDPIN, CHIN_HELD, familiesWith, recordOf, type Family } from '../../instruments';
import type { StepId } from '../../log';
import type { StepData } from '../step';

/** Steps that take off what playing left. */
export const WIPES: readonly StepId[] = ['wipe-stick', 'wipe-strings', 'wipe-rosin', 'wipe-hands'];

const SLACKEN = {
  id: 'slacken',
  title: 'Slacken the bow',
  why: 'A bow left tight warps, its tip can break, and its hair stretches.',
  zone: 'bow-screw',
  tool: 'hands',
  caution: 'Never until the screw comes out: the frog drops and the hair ribbon can be ruined.',
  figure: 'bow-turns',
} as const;

const WIPE_STRINGS = {
  id: 'wipe-strings',
  title: 'Wipe the strings',
  zone: 'strings',
  tool: 'dry cloth',
  after: ['slacken', 'action-dust'],
} as const;

const WIPE_ROSIN = {
  id: 'wipe-rosin',
  title: 'Wipe the rosin zones',
  why: 'Fresh it comes off in seconds; after days it is hard and eats into the varnish.',
  zone: 'rosin-zones',
} as const;

const WIPE_HANDS = {
  id: 'wipe-hands',
  title: 'Wipe where hands were',
  why: 'Sweat and skin oil eat finishes.',
  zone: 'hand-zones',
} as const;

const handsBowed = (family: Family): StepData<StepId>[] => [
  {
    ...WIPE_HANDS,
    tool: 'second cloth',
    how: ['With the second cloth, the one kept free of rosin.', recordOf(family).touched],
    for: { families: [family], school: { cloths: 'A' } },
    after: ['wipe-strings'],
  },
  {
    ...WIPE_HANDS,
    tool: 'dry cloth',
    how: ['With a clean part of the cloth, before it meets the rosin.', recordOf(family).touched],
    for: { families: [family], school: { cloths: 'B' } },
    after: ['wipe-strings'],
  },
];

/** Slacken first, then from the bow to the strings to the body [handbook 2.1–2.5]. */
export const WIPE_STEPS: readonly StepData<StepId>[] = [
  {
    ...SLACKEN,
    how: ['Turn the screw back until the hair just rests at the stick and lies together.', 'Not so far that it hangs.'],
    for: { families: BOWED, school: { slack: 'A' } },
  },
  {
    ...SLACKEN,
    how: ['Turn the screw back until the hair is visibly soft.', 'Not so far that it hangs and tangles.'],
    for: { families: BOWED, school: { slack: 'B' } },
  },
  {
    id: 'wipe-stick',
    title: 'Wipe the stick',
    how: ['The cloth round the stick, from the tip down; then the frog, where your hand was.', 'Never the hair.'],
    why: 'Rosin and sweat harden on the wood.',
    zone: 'bow-stick',
    tool: 'dry cloth',
    for: { families: BOWED },
    after: ['slacken'],
  },
  {
    id: 'action-dust',
    title: 'Dust the levers',
    how: ['A stiff artist’s brush between levers, pins and bridge pins.', 'Outwards, so that nothing falls in.'],
    why: 'Dust and grease gum the action.',
    zone: 'action',
    tool: 'brush',
    for: { families: ['harp'], kinds: ['lever'] },
    due: { everyDays: 14 },
  },
  {
    id: 'action-dust',
    title: 'Dust the action',
    how: ['A stiff artist’s brush between the discs and round the tuning pins.', 'Pedals in flat; outwards.'],
    why: 'Dust and grease gum the action.',
    zone: 'action',
    tool: 'brush',
    for: { families: ['harp'], kinds: ['pedal'] },
    due: { everyDays: 14 },
  },
  {
    ...WIPE_STRINGS,
    how: ['A fresh fold of the dry cloth for each string.', 'Along the string, one way. Squeaking is fine.'],
    why: 'Rosin cakes and dulls the tone within days.',
    for: { families: CHIN_HELD },
  },
  {
    ...WIPE_STRINGS,
    how: [
      'A fresh fold of the dry cloth for each string, from the nut down past where the bow goes.',
      'Along the string, one way. Squeaking is fine.',
    ],
    why: 'Rosin cakes on long strings first, and dulls the tone within days.',
    for: { families: ON_ENDPIN },
  },
  {
    ...WIPE_STRINGS,
    how: ['Pinch each string in the dry cloth, over and under it.', 'From the nut to the saddle, one way.'],
    why: 'Acid from the fingers corrodes steel and dulls the wound strings.',
    for: { families: ['guitar'], kinds: ['steel'] },
  },
  {
    ...WIPE_STRINGS,
    how: ['The dry cloth along each string, the wound basses one way only.', 'Lightly: nylon asks for no force.'],
    why: 'Skin oil dulls the basses and makes the trebles sticky.',
    for: { families: ['guitar'], kinds: ['classical'] },
  },
  {
    ...WIPE_STRINGS,
    how: ['Pinch each string in the dry cloth, over and under it.', 'Then the metal of bridge and pickups.'],
    why: 'Acid from the fingers corrodes strings, saddles and screws.',
    for: { families: ['guitar'], kinds: ['electric', 'bass-guitar'] },
  },
  {
    ...WIPE_STRINGS,
    how: ['The soft dry cloth down each string, the low wires too.', 'One at a time, so that none snaps back.'],
    why: 'Skin oil clogs gut and corrodes the wires.',
    caution: 'Low strings pull hard: keep your face away.',
    for: { families: ['harp'] },
  },
  {
    ...WIPE_ROSIN,
    tool: 'dry cloth',
    how: [
      'Under the strings between bridge and fingerboard, then the end of the fingerboard.',
      'Round the bridge feet, then under the tailpiece as far as the cloth goes.',
    ],
    for: { families: BOWED, school: { cloths: 'A' } },
    after: ['wipe-strings'],
  },
  {
    ...WIPE_ROSIN,
    tool: 'dry cloth',
    how: [
      'Now that hands’ places are done: under the strings, the end of the fingerboard.',
      'Round the bridge feet, then under the tailpiece. Shake the cloth out afterwards.',
    ],
    for: { families: BOWED, school: { cloths: 'B' } },
    after: ['wipe-strings', 'wipe-hands'],
  },
  ...BOWED.flatMap(handsBowed),
  ...familiesWith(({ bow }) => bow === null).map((family): StepData<StepId> => ({
    ...WIPE_HANDS,
    tool: 'dry cloth',
    how: [recordOf(family).touched],
    for: { families: [family] },
    after: ['wipe-strings'],
  })),
];
