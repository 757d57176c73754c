import { BOWED, isBowed } from '../../instruments';
import { rungsOf } from '../rungs';
import type { JobData } from '../work';

/** Jobs at the bow and of rosin. */
export const BOW_JOBS: readonly JobData[] = [
  {
    id: 'broken-hair',
    text: 'Each cut close at both ends, never pulled, and counted.',
    minutes: 3,
    who: 'player',
    for: { families: BOWED },
    mends: ['hair-brittle'],
    compose: ({ facts: { setUp } }) => [
      {
        id: 'tight',
        title: 'Tighten the bow as for playing',
        how: ['Under tension a broken hair hangs free of the others.'],
        picture: 'none',
        zone: 'bow-screw',
      },
      {
        id: 'cut',
        title: 'Cut each hanging hair at the wood',
        how: ['Small scissors, close to the ferrule and close to the tip. One hair at a time, the blade away from the rest.'],
        caution:
          setUp.player === 'child'
            ? 'An adult cuts. A hair is never pulled out: it loosens its neighbours.'
            : 'A hair is never pulled out: it loosens its neighbours.',
        picture: 'shears',
      },
      {
        id: 'count',
        title: 'Count them',
        how: ['More than ten in a week tell of dry hair, mites in the case or an edge at the tip.'],
        picture: 'none',
        zone: 'bow-hair',
        figures: ['bow-hairs-broken'],
      },
      {
        id: 'band',
        title: 'Look at the band that is left',
        how: ['Against the ferrule, in the middle and at both ends. The side towards the player goes first; one side gone bends the stick.'],
        picture: 'none',
        zone: 'bow-hair',
        look: 'hair-band',
        figures: ['bow-band-mid'],
      },
      {
        id: 'slack',
        title: 'Slacken it again',
        how: ['Until the hair just rests.'],
        picture: 'none',
        zone: 'bow-screw',
      },
    ],
  },
  {
    id: 'shake-rosin',
    text: 'A cloud at each stroke, a gritty tone: tapped out, wiped, played in.',
    minutes: 3,
    who: 'child',
    for: { families: BOWED },
    mends: ['rosin-much'],
    compose: () => [
      {
        id: 'slack',
        title: 'Slacken the bow',
        how: ['Until the hair is loose, away from the instrument.'],
        picture: 'none',
        zone: 'bow-screw',
      },
      {
        id: 'tap',
        title: 'Tap the stick against your hand',
        how: ['Lightly, hair downwards, over something that can be wiped. Ten taps from frog to tip.'],
        caution: 'Do not blow: the dust irritates the lungs. Never wipe the hair with fingers.',
        picture: 'tap-stick',
      },
      {
        id: 'wipe',
        title: 'Wipe the strings',
        how: ['A dry cloth along each of them, a fresh fold for each. Squeaking is fine.'],
        picture: 'clean',
      },
      {
        id: 'play',
        title: 'Tighten, and play a slow scale',
        how: ['No cloud any more? Then leave the cake alone today. Still gritty: once more from the beginning.'],
        picture: 'none',
        zone: 'bow-hair',
      },
    ],
  },
  {
    id: 'residue',
    text: 'The mildest thing that works, and what is the workshop’s.',
    minutes: 8,
    who: 'player',
    mends: ['residue-on-strings', 'strings-dirty'],
    compose: ({ facts, schools }) => [
      {
        id: 'dry',
        title: 'Dry cloth first',
        how: [
          isBowed(facts.family)
            ? 'Strings along their length, then under them between bridge and fingerboard, then the stick. A second cloth for where hands touch.'
            : 'Strings along their length, above and below; then where hands and arms touch.',
        ],
        picture: 'clean',
      },
      ...rungsOf(facts, schools),
    ],
  },
];
