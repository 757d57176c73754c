import { isBowed, isLookedAt, recordOf } from '../../instruments';
import type { JobData } from '../work';

/** The first minutes after something has happened. [handbook 2, 5, 11; order from memory] */
export const MISHAP_JOBS: readonly JobData[] = [
  {
    id: 'wet',
    text: 'The first ten minutes: dry at once, nothing warm, strings a little down.',
    minutes: 10,
    who: 'child',
    mends: ['got-wet'],
    compose: ({ facts: { family } }) => [
      {
        id: 'dab',
        title: 'Dab it dry',
        how: ['A soft dry cloth laid on and lifted, not rubbed. Outside first, then round the f-holes or the mouth of the body, then the case.'],
        caution: 'No hair dryer, no heater, no sun.',
        picture: 'dab',
      },
      {
        id: 'inside',
        title: 'Is there water inside?',
        how: ['Turned so that it runs out of the opening, over a cloth, slowly. Not shaken.'],
        caution: 'Water inside is a luthier’s today: glue lets go from within.',
        picture: 'none',
        zone: 'whole',
      },
      {
        id: 'slack',
        title: 'Strings down by a tone',
        how: [
          recordOf(family).strings.bears === 'bridge-and-post'
            ? 'Each in turn, a little; they must still hold the bridge.'
            : 'Each in turn, a little at a time.',
        ],
        picture: 'loosen',
      },
      ...(isBowed(family)
        ? [
            {
              id: 'bow',
              title: 'The bow: slack, hair combed straight',
              how: ['Wet hair stretches. Slacken it wholly, draw a clean comb through it once, let it dry lying. Rosin only when dry.'],
              picture: 'none',
              zone: 'bow-hair',
            } as const,
          ]
        : []),
      {
        id: 'open',
        title: 'Let it lie open in usual air',
        how: ['On a dry cloth in a room within its band, out of the wet case, for a day.'],
        picture: 'closed-case',
      },
      {
        id: 'look',
        title: 'Look at seams and varnish',
        how: ['Now, and again tomorrow: white spots, lifted edges, a seam that shows. Any of it: a luthier.'],
        picture: 'none',
        zone: 'whole',
        look: 'outside',
      },
    ],
  },
  {
    id: 'fallen',
    text: 'The first ten minutes, before a note is played: post, bridge, neck, seams.',
    minutes: 10,
    who: 'child',
    mends: ['crack-top', 'neck-opening'],
    compose: ({ facts: { family, setUp } }) => {
      const bowed = isBowed(family);
      return [
        {
          id: 'still',
          title: 'Do not play, do not tune',
          how: ['Lay it down where it is safe. Pick up whatever came off and keep it: splinters too.'],
          caution: setUp.player === 'child' ? 'Tell a grown-up now: nobody is scolded for saying so.' : 'Never glued at home.',
          picture: 'none',
          zone: 'whole',
          records: 'knocked',
        },
        ...(bowed
          ? [
              {
                id: 'post',
                title: 'Does the post stand?',
                how: ['Through the f-hole on the thin strings’ side. A stick that rattles inside is the post.'],
                caution: 'Gone: all strings down slowly, and to a luthier now.',
                picture: 'through-f-hole',
                look: 'post',
              } as const,
              {
                id: 'bridge',
                title: 'Has the bridge moved?',
                how: ['Square from the side, between the notches of the f-holes.'],
                picture: 'bridge',
                look: 'bridge-place',
              } as const,
            ]
          : []),
        {
          id: 'neck',
          title: 'Neck and head',
          how: ['Round the neck’s root and behind the head, against the light: a fine line is a crack.'],
          caution: 'Any line there: strings down, and do not tune up again.',
          picture: 'none',
          zone: family === 'harp' ? 'whole' : 'pegs',
          ...(isLookedAt('neck', family) && { look: 'neck' as const }),
        },
        {
          id: 'outside',
          title: 'Top, back and edges',
          how: ['Where it struck first; then a knuckle round the edge.'],
          picture: 'knuckle',
          look: 'outside',
        },
        ...(bowed
          ? [
              {
                id: 'tip',
                title: 'The bow’s tip, before it is tightened',
                how: ['A line across the head, or white facing that has lifted: do not tighten it.'],
                picture: 'none',
                zone: 'bow-stick',
                look: 'stick',
              } as const,
            ]
          : []),
        {
          id: 'on',
          title: 'All as it should be?',
          how: ['Then tune slowly from below and play softly. Sounds it different or hollow, stop. Look again in a week: cracks show late.'],
          picture: 'tune',
        },
      ];
    },
  },
];
