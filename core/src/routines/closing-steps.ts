import type { Family } from '../instruments';
import type { StepId } from '../log';
import type { StepData } from './step';

const VIOLINS: readonly Family[] = ['violin', 'viola'];
const LARGE: readonly Family[] = ['cello', 'bass'];
const BOWED: readonly Family[] = [...VIOLINS, ...LARGE];

const WIPES: readonly StepId[] = ['wipe-stick', 'wipe-strings', 'wipe-rosin', 'wipe-hands'];
const EXTRAS: readonly StepId[] = ['chin-rest', 'under-tailpiece', 'weekly-clean', 'fretboard', 'humidifier'];

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

/** Where hands, arms and knees touch, by family. */
const TOUCHED: Readonly<Record<Family, string>> = {
  violin: 'The neck, the shoulders, the chin rest, the ribs.',
  viola: 'The neck, the broad shoulders, the chin rest, the ribs.',
  cello: 'The neck, the shoulders, and the ribs where your knees were.',
  bass: 'The neck, the shoulders, and the edge that leant on you.',
  guitar: 'The back of the neck, and the top edge under your forearm.',
  harp: 'Where your arms rest on the body, and where your knees touch.',
};

const handsBowed = (family: Family): StepData<StepId>[] => [
  {
    ...WIPE_HANDS,
    tool: 'second cloth',
    how: ['With the second cloth, the one kept free of rosin.', TOUCHED[family]],
    for: { families: [family], school: { cloths: 'A' } },
    after: ['wipe-strings'],
  },
  {
    ...WIPE_HANDS,
    tool: 'dry cloth',
    how: ['With a clean part of the cloth, before it meets the rosin.', TOUCHED[family]],
    for: { families: [family], school: { cloths: 'B' } },
    after: ['wipe-strings'],
  },
];

const CASE = {
  id: 'case',
  title: 'Into the case',
  zone: 'whole',
  tool: 'hands',
  after: [...WIPES, ...EXTRAS, 'slacken', 'rest-off', 'endpin-in'],
} as const;

const LATCHES = { id: 'latches', zone: 'whole', tool: 'hands', after: ['case'] } as const;
const LATCHES_WHY = 'A lid that opens on the way drops what is in it.';

const STAND = {
  id: 'stand',
  title: 'Onto its stand',
  how: [
    'Check that the yoke holds the neck.',
    'Away from radiator, window and door. Never leaned on a wall by its neck.',
  ],
  zone: 'whole',
  tool: 'hands',
  after: [...WIPES, 'weekly-clean', 'fretboard'],
} as const;

/** Once or twice a year [handbook 2, ladder of the guitar]; only while the strings are off. */
const FRETBOARD = {
  id: 'fretboard',
  title: 'Fretboard at this change of strings',
  how: [
    'New strings are due. While the old ones are off, clean the bare fretboard with a drop of oil on a cloth.',
    'Wipe it dry. Press Skip until you change them.',
  ],
  why: 'Once or twice a year is enough. The oil cleans; it adds no moisture.',
  zone: 'fretboard',
  tool: 'cleaner on a cloth',
  after: ['wipe-strings'],
  due: { everyDays: 180, withStrings: true },
} as const;

/** A guitar goes into its case by school A; by school B, when it has no stand. */
const GUITAR_CASED = [
  { families: ['guitar'], school: { kept: 'A' } },
  { families: ['guitar'], school: { kept: 'B' }, stand: false },
] as const;

/**
 * The closing round as data [handbook 2]. The order is that which is the same in all good practice.
 * From memory: how often the extras come, a week or a fortnight where the trade says only "now and then".
 */
export const CLOSING_STEPS: readonly StepData<StepId>[] = [
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
    for: { families: VIOLINS },
  },
  {
    ...WIPE_STRINGS,
    how: [
      'A fresh fold of the dry cloth for each string, from the nut down past where the bow goes.',
      'Along the string, one way. Squeaking is fine.',
    ],
    why: 'Rosin cakes on long strings first, and dulls the tone within days.',
    for: { families: LARGE },
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
    for: { families: ['guitar'], kinds: ['electric'] },
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
  ...(['guitar', 'harp'] as const).map((family): StepData<StepId> => ({
    ...WIPE_HANDS,
    tool: 'dry cloth',
    how: [TOUCHED[family]],
    for: { families: [family] },
    after: ['wipe-strings'],
  })),
  {
    id: 'chin-rest',
    title: 'Clean the chin rest',
    how: ['Its rim and its underside, and the varnish beside it.', 'With the cloth kept free of rosin.'],
    why: 'Sweat and make-up gather there and eat the varnish.',
    zone: 'chin-rest',
    tool: 'second cloth',
    for: { families: VIOLINS },
    after: ['wipe-hands'],
    due: { everyDays: 7 },
  },
  {
    id: 'under-tailpiece',
    title: 'Under the tailpiece',
    how: ['Draw the dry cloth through, from one side to the other.', 'Then under the end of the fingerboard.'],
    why: 'Rosin settles where no one sees it, and hardens.',
    zone: 'under-tailpiece',
    tool: 'dry cloth',
    for: { families: BOWED },
    after: ['wipe-rosin'],
    due: { everyDays: 14 },
  },
  {
    id: 'weekly-clean',
    title: 'Cleaner on the top',
    how: ['A little on the cloth, never on the wood. Small circles where it is dull.', 'Buff with a clean part.'],
    why: 'Once a week keeps rosin from ever hardening.',
    zone: 'rosin-zones',
    tool: 'cleaner on a cloth',
    caution: 'Never on neck, fingerboard or strings. Try a new cleaner first where it does not show.',
    adult: true,
    for: { families: BOWED, school: { cleaner: 'B' }, finish: ['varnish', 'hard', 'lacquer'] },
    after: ['wipe-rosin', 'wipe-hands', 'under-tailpiece'],
    due: { everyDays: 7 },
  },
  {
    id: 'weekly-clean',
    title: 'The whole body once',
    how: [
      'The dry cloth over top, sides and back, and round the bridge.',
      'Lightly: dust scratches when it is pressed.',
    ],
    why: 'What lies on a finish for weeks stays in it.',
    zone: 'whole',
    tool: 'dry cloth',
    for: { families: ['guitar'] },
    after: ['wipe-hands'],
    due: { everyDays: 7 },
  },
  {
    ...FRETBOARD,
    caution: 'A bridge held by the strings alone falls when all are off: change one at a time.',
    for: { families: ['guitar'], floatingBridge: true },
  },
  { ...FRETBOARD, for: { families: ['guitar'], floatingBridge: false } },
  {
    id: 'humidifier',
    title: 'Look at the humidifier',
    how: ['Is it dry? Refill it as its maker says, and wipe it so that nothing drips.', 'Back in its place.'],
    why: 'A dry humidifier does nothing, and wood does not complain until it cracks.',
    zone: 'whole',
    tool: 'hands',
    for: { humidifier: true, case: ['hard', 'soft'] },
    after: [...WIPES],
    due: { everyDays: 7 },
  },
  {
    id: 'rest-off',
    title: 'Shoulder rest off',
    how: ['Lift one foot off, then the other.', 'It goes into its pocket, not under the lid.'],
    why: 'A lid closed over a rest presses the bridge into the top.',
    zone: 'shoulder-rest',
    tool: 'hands',
    for: { families: VIOLINS, rest: ['rest'] },
    after: ['wipe-hands', 'chin-rest'],
  },
  {
    id: 'rest-off',
    title: 'Pad off',
    how: ['Take the band off the corners, then the pad.', 'It goes into its pocket, not under the lid.'],
    why: 'A lid closed over a pad presses the bridge into the top.',
    zone: 'shoulder-rest',
    tool: 'hands',
    for: { families: VIOLINS, rest: ['pad'] },
    after: ['wipe-hands', 'chin-rest'],
  },
  {
    id: 'endpin-in',
    title: 'Endpin in',
    how: ['Loosen the screw a quarter turn, push the pin in, tighten.', 'Hold the instrument by neck and waist.'],
    why: 'A pin left out tears the case, and trips people.',
    zone: 'endpin',
    tool: 'hands',
    for: { families: LARGE, endpin: true },
    after: [...WIPES, 'under-tailpiece'],
    figure: 'endpin-length',
  },
  {
    ...CASE,
    how: [
      'Neck strap round, cloth over the strings.',
      'Bow tip first into its holder, hair clear, spinner turned.',
      'Nothing loose: rosin, pencil and rest go into pockets.',
    ],
    why: 'What lies loose hits the top at every bump.',
    for: { families: VIOLINS, case: ['hard', 'soft'] },
  },
  {
    ...CASE,
    how: [
      'Neck strap round, and the strap across the body.',
      'Bow tip first into its holder, hair clear, toggle turned.',
      'Nothing loose in the case.',
    ],
    why: 'What lies loose hits the top at every bump.',
    for: { families: LARGE, case: ['hard'] },
  },
  {
    ...CASE,
    how: ['Scroll first, bridge forwards, nothing forced.', 'The bow goes in last, tip down, held by its frog.'],
    why: 'A bridge that catches on the cloth is a bridge that falls.',
    for: { families: LARGE, case: ['soft'] },
  },
  ...GUITAR_CASED.map((guitar): StepData<StepId> => ({
    ...CASE,
    how: ['Neck on its support, nothing under the strings.', 'Capo, picks and tuner go into the pocket.'],
    why: 'A case holds the air steady, and nothing falls on it there.',
    for: { ...guitar, case: ['hard', 'soft'] },
  })),
  {
    ...CASE,
    how: ['Cover over it, strings and column free of folds.', 'Two people lift it.'],
    why: 'A harp falls slowly, and far.',
    for: { families: ['harp'], case: ['hard', 'soft'] },
  },
  {
    ...STAND,
    why: 'Within reach it gets played; knocked over it does not.',
    for: { families: ['guitar'], stand: true, school: { kept: 'B' } },
  },
  {
    ...STAND,
    why: 'It has no case: the stand is the safest place it has.',
    for: { families: ['guitar'], stand: true, case: ['none'], school: { kept: 'A' } },
  },
  {
    ...LATCHES,
    title: 'Close and fasten',
    how: ['Every latch and every zip, before the case leaves the flat surface.'],
    why: LATCHES_WHY,
    for: { families: VIOLINS, case: ['hard', 'soft'] },
  },
  {
    ...LATCHES,
    title: 'Close every zip',
    how: ['All the way round, to the last tooth.', 'Lay it on its side, not against a wall or in a corner.'],
    why: LATCHES_WHY,
    for: { families: LARGE, case: ['soft'] },
  },
  {
    ...LATCHES,
    title: 'Close and fasten',
    how: ['Every latch, before it is lifted.', 'Two people carry it, or its wheels do.'],
    why: LATCHES_WHY,
    for: { families: LARGE, case: ['hard'] },
  },
  ...GUITAR_CASED.map((guitar): StepData<StepId> => ({
    ...LATCHES,
    title: 'Close and fasten',
    how: ['Every latch or zip, before it leaves the flat surface.'],
    why: LATCHES_WHY,
    for: { ...guitar, case: ['hard', 'soft'] },
  })),
];
