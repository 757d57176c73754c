import { isBowed, recordOf } from '../../instruments';
import type { JobData } from '../work';

/** Going away for long, and coming back. [handbook 2, 3, 6; weeks and tones from memory] */
export const SEASON_JOBS: readonly JobData[] = [
  {
    id: 'laying-up',
    text: 'Weeks unplayed: wiped, slack, in the case, in steady air.',
    minutes: 10,
    who: 'player',
    mends: [],
    compose: ({ facts: { family } }) => [
      {
        id: 'clean',
        title: 'Wipe it, all of it',
        how: ['Strings, where rosin or hands were, then the case. What lies for months needs a workshop afterwards.'],
        picture: 'clean',
      },
      ...(isBowed(family)
        ? [
            {
              id: 'bow',
              title: 'The bow slack, and not in a drawer',
              how: ['Until the hair lies loose: dry air shortens it. Hair in the dark is what mites eat; a look now and then keeps them away.'],
              picture: 'none',
              zone: 'bow-screw',
            } as const,
          ]
        : []),
      {
        id: 'strings',
        title: 'Strings: at pitch, or a tone down',
        how: [
          recordOf(family).strings.bears === 'bridge-and-post'
            ? 'Left near their pitch: they hold bridge and post.'
            : family === 'harp'
              ? 'Left at pitch: a harp that was let down is long in coming back.'
              : 'Up to a month at pitch; longer, a tone down.',
        ],
        caution: 'Never taken off.',
        picture: 'loosen',
      },
      {
        id: 'air',
        title: 'Where it lies',
        how: [
          'In its case, latched, away from outer walls, heaters, cellar and attic, within its band.',
          'A case humidifier runs dry while you are away: the room has to be right, or somebody refills it.',
        ],
        picture: 'closed-case',
      },
      {
        id: 'see',
        title: 'Note how it stands',
        how: ['A photograph of bridge and strings from the side: what has moved is seen when you are back.'],
        picture: 'bridge',
        ...(isBowed(family) && { figures: ['bridge-angle'] as const, photo: true as const }),
      },
    ],
  },
  {
    id: 'coming-back',
    text: 'Warm through, look, tune slowly, then judge.',
    minutes: 12,
    who: 'player',
    mends: [],
    compose: ({ facts: { family, setUp } }) => [
      {
        id: 'warm',
        title: 'The case stays shut until it is as warm as the room',
        how: ['An hour or more after a cold way; cold wood sweats in warm air.'],
        waitMin: 60,
        picture: 'closed-case',
      },
      {
        id: 'look',
        title: 'Look before you tune',
        how: ['Seams, top, bridge: as it was left?'],
        picture: 'none',
        zone: 'whole',
        look: 'outside',
      },
      ...(setUp.floatingBridge && isBowed(family)
        ? [
            {
              id: 'bridge',
              title: 'The bridge from the side',
              how: ['Strings that sank and pegs that slipped let it lean.'],
              picture: 'bridge',
              look: 'bridge-lean',
              figures: ['bridge-angle'],
              photo: true,
            } as const,
          ]
        : []),
      {
        id: 'tune',
        title: 'Up in small steps',
        how: ['Every string a third of the way, then again, then to pitch: never one alone. Old strings break now, thin ones first.'],
        caution: 'Turn the face away from a thin string.',
        picture: 'tune',
      },
      ...(family === 'guitar'
        ? [
            {
              id: 'relief',
              title: 'Relief before anything else',
              how: ['The neck moves first when a guitar lies. Held at first and last fret: the gap halfway.'],
              picture: 'rod',
              figures: ['relief'],
            } as const,
          ]
        : []),
      ...(isBowed(family)
        ? [
            {
              id: 'rosin',
              title: 'The bow: turns to the gap, and rosin',
              how: ['Two turns more than before: the hair has stretched. Tight at rest: it has shrunk, wait for usual air.'],
              picture: 'none',
              zone: 'bow-hair',
              figures: ['bow-turns'],
              records: 'rosined',
            } as const,
          ]
        : []),
      {
        id: 'judge',
        title: 'Play a week before you judge it',
        how: ['Wood that lay takes days to find its air. What is still wrong then is looked into.'],
        picture: 'none',
        zone: 'whole',
      },
    ],
  },
];
