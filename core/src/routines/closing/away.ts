import { ON_ENDPIN, CHIN_HELD } from '../../instruments';
import type { StepId } from '../../log';
import type { StepData } from '../step';
import { WIPES } from './wipes';

const EXTRAS: readonly StepId[] = ['chin-rest', 'under-tailpiece', 'weekly-clean', 'fretboard', 'humidifier'];

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

/** A guitar goes into its case by school A; by school B, when it has no stand. */
const GUITAR_CASED = [
  { families: ['guitar'], school: { kept: 'A' } },
  { families: ['guitar'], school: { kept: 'B' }, stand: false },
] as const;

/** Off and in, closed and fastened before anything is lifted [handbook 2.6–2.8]. */
export const AWAY_STEPS: readonly StepData<StepId>[] = [
  {
    id: 'rest-off',
    title: 'Shoulder rest off',
    how: ['Lift one foot off, then the other.', 'It goes into its pocket, not under the lid.'],
    why: 'A lid closed over a rest presses the bridge into the top.',
    zone: 'shoulder-rest',
    tool: 'hands',
    for: { families: CHIN_HELD, rest: ['rest'] },
    after: ['wipe-hands', 'chin-rest'],
  },
  {
    id: 'rest-off',
    title: 'Pad off',
    how: ['Take the band off the corners, then the pad.', 'It goes into its pocket, not under the lid.'],
    why: 'A lid closed over a pad presses the bridge into the top.',
    zone: 'shoulder-rest',
    tool: 'hands',
    for: { families: CHIN_HELD, rest: ['pad'] },
    after: ['wipe-hands', 'chin-rest'],
  },
  {
    id: 'endpin-in',
    title: 'Endpin in',
    how: ['Loosen the screw a quarter turn, push the pin in, tighten.', 'Hold the instrument by neck and waist.'],
    why: 'A pin left out tears the case, and trips people.',
    zone: 'endpin',
    tool: 'hands',
    for: { families: ON_ENDPIN, endpin: true },
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
    for: { families: CHIN_HELD, case: ['hard', 'soft'] },
  },
  {
    ...CASE,
    how: [
      'Neck strap round, and the strap across the body.',
      'Bow tip first into its holder, hair clear, toggle turned.',
      'Nothing loose in the case.',
    ],
    why: 'What lies loose hits the top at every bump.',
    for: { families: ON_ENDPIN, case: ['hard'] },
  },
  {
    ...CASE,
    how: ['Scroll first, bridge forwards, nothing forced.', 'The bow goes in last, tip down, held by its frog.'],
    why: 'A bridge that catches on the cloth is a bridge that falls.',
    for: { families: ON_ENDPIN, case: ['soft'] },
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
    for: { families: CHIN_HELD, case: ['hard', 'soft'] },
  },
  {
    ...LATCHES,
    title: 'Close every zip',
    how: ['All the way round, to the last tooth.', 'Lay it on its side, not against a wall or in a corner.'],
    why: LATCHES_WHY,
    for: { families: ON_ENDPIN, case: ['soft'] },
  },
  {
    ...LATCHES,
    title: 'Close and fasten',
    how: ['Every latch, before it is lifted.', 'Two people carry it, or its wheels do.'],
    why: LATCHES_WHY,
    for: { families: ON_ENDPIN, case: ['hard'] },
  },
  ...GUITAR_CASED.map((guitar): StepData<StepId> => ({
    ...LATCHES,
    title: 'Close and fasten',
    how: ['Every latch or zip, before it leaves the flat surface.'],
    why: LATCHES_WHY,
    for: { ...guitar, case: ['hard', 'soft'] },
  })),
];
