import type { GuidedStep } from '../../guided';
import type { FamilyRecord, InstrumentFacts, StringSpec } from '../../instruments';
import { slackMm } from '../compare';

type Held = FamilyRecord['strings']['held'];

/** How a change goes where strings are held in one way: what is said at each point of the job. */
interface Way {
  /** Before the first string: how it lies, and what must not be forgotten. */
  ready: (allOff: boolean) => { title: string; how: string };
  /** Before the old string comes off. */
  before: readonly GuidedStep[];
  /** The new one goes on. @param thin it is the thinnest of all */
  fit: (facts: InstrumentFacts, spec: StringSpec | null, thin: boolean) => GuidedStep[];
  tune: string;
  /** Once it is at pitch. */
  then: readonly GuidedStep[];
}

/** Wraps on a guitar's post: three to four [handbook 4]. */
const WRAPS = 3.5;

const ENDS = {
  loop: { title: 'The loop', how: 'The loop over the hook' },
  ball: { title: 'The ball', how: 'The ball into the slot' },
  knot: { title: 'Ball or loop', how: 'Ball or loop' },
} as const;

const onPeg: Way = {
  ready: () => ({
    title: 'Lay it on its back, bridge in sight',
    how: 'One string at a time, never all off: the strings hold the bridge, and the bridge’s load holds the sound post.',
  }),
  before: [
    {
      id: 'fine-tuner',
      title: 'Back the fine tuner out',
      how: ['To the end of its travel, where the string has one, so that it can work again on the new string.'],
      picture: 'fine-tuner',
    },
  ],
  fit: (_facts, spec, thin) => {
    const end = ENDS[spec?.end ?? 'knot'];
    return [
      {
        id: 'graphite',
        title: 'Pencil in both grooves',
        how: [
          'A soft pencil once through the groove of the nut and of the bridge, so that the string slides instead of pulling the bridge.',
        ],
        picture: 'graphite',
      },
      {
        id: 'anchor',
        title: `${end.title} to the tailpiece`,
        how: [`${end.how}, seated before it bears any load.`],
        picture: 'anchor',
      },
      {
        id: 'peg',
        title: 'Through the peg, one turn across itself',
        how: [
          'Push the other end through the hole, let the first turn cross over it, then wind outwards to the peg’s head, turn beside turn.',
          'Each peg is fitted to its own hole: never swap two.',
        ],
        picture: 'peg',
      },
      ...(thin
        ? [
            {
              id: 'protector',
              title: 'The protector on the bridge',
              how: [
                'The little sleeve, or the parchment on the bridge, goes under the thinnest string so that it does not cut in.',
              ],
              picture: 'protector',
            } as const,
          ]
        : []),
    ];
  },
  tune: 'Push the peg in while turning, and never go above the pitch. The other strings go flat meanwhile: leave them until this one is near.',
  then: [],
};

const FROM_BELOW = 'Turn up in small steps; stop below the pitch, let it rest, then come to it from below.';

const onPost: Way = {
  ready: (allOff) => ({
    title: 'Lay it on a cloth, neck supported',
    how: allOff
      ? 'All may come off: this bridge is fixed. Slacken them in turn, a little each, so that the neck gives way evenly.'
      : 'One string after another keeps the neck at rest.',
  }),
  before: [],
  fit: ({ kind, stringing: { postMm } }) => {
    const slack = Math.round(slackMm(WRAPS, postMm));
    return [
      {
        id: 'anchor',
        title: 'Anchor it at the bridge',
        how: [
          kind === 'classical'
            ? 'Through the bridge, under itself and tucked behind the edge: twice for the thin ones.'
            : 'Ball seated against the plate; pull on it before the pin goes down.',
        ],
        picture: 'anchor',
      },
      {
        id: 'post',
        title: `Leave ${slack} mm of slack`,
        how: [
          `${WRAPS} wraps on a post of ${postMm} mm take ${WRAPS} × π × ${postMm} = ${slack} mm. Pull it straight to the post, then let so much back.`,
          'Wind downwards, each wrap below the one before; no wrap over another.',
        ],
        picture: 'post',
      },
    ];
  },
  tune: FROM_BELOW,
  then: [
    {
      id: 'stretch',
      title: 'Stretch it, tune it again',
      how: [
        'Draw it a finger’s breadth off the fretboard along its length, gently, and bring it back to pitch; two or three times.',
      ],
      picture: 'stretch',
    },
  ],
};

const knotted: Way = {
  ready: () => ({
    title: 'Stand it firm, in good light',
    how: 'One string at a time. Keep clear of the string you bring up: harp strings carry a large load.',
  }),
  before: [],
  fit: (_facts, spec) => [
    {
      id: 'knot',
      title: 'Tie the knot for its register',
      how: [
        spec?.core === 'steel'
          ? 'A wire string has its own end: draw it through until it sits.'
          : 'A double knot with a short piece of thick string in it for thin strings, without for thick ones; drawn tight before it goes in.',
        'From the soundboard up, through the pin, two or three turns, the end clear of its neighbours.',
      ],
      picture: 'knot',
    },
  ],
  tune: FROM_BELOW,
  then: [],
};

/** How strings are changed by the way they are held [handbook 4]. */
export const WAYS: Readonly<Record<Held, Way>> = { peg: onPeg, post: onPost, knot: knotted };
