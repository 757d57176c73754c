import { isBowed, type Family, type Figure } from '../../instruments';
import type { JobData, WorkContext, WorkStep } from '../work';

const step = (id: string, title: string, how: readonly string[], rest: Partial<WorkStep> = {}): WorkStep => ({
  id,
  title,
  how,
  picture: 'none',
  ...rest,
});

/** The bridge lies loose under the tailpiece: set up under the strings [handbook 10]. */
function bridgeUp({ facts: { setUp } }: WorkContext): WorkStep[] {
  return [
    step(
      'slack-from',
      'Fine tuners three quarters out',
      ['Slack for the bridge comes from there, and from the pegs, a little each.'],
      { picture: 'fine-tuner' },
    ),
    step(
      'bridge-up',
      'The bridge under the strings',
      [
        'Its higher side under the low strings; its tapering, thinner edge towards the fingerboard; each string in its groove.',
        'Feet flat, between the notches of the f-holes, upright from the side.',
      ],
      {
        picture: 'two-hands',
        caution:
          setUp.player === 'child'
            ? 'A teacher or a luthier does this.'
            : 'Does it stand already, leave it. If you have never seen it done, a teacher or a luthier does it.',
      },
    ),
    step(
      'strings-up',
      'Strings up a little, each in turn',
      ['A quarter turn each, round and round. From the side after each: upright.'],
      { picture: 'bridge', look: 'bridge-lean', figures: ['bridge-angle'], photo: true, caution: 'Turn the face away from the thin one.' },
    ),
  ];
}

/** The first measures of each family: what its set-up sheet begins with. */
const FIRST: Readonly<Record<Family, readonly Figure[]>> = {
  violin: ['height-low', 'height-high'],
  viola: ['height-low', 'height-high'],
  cello: ['endpin-length', 'height-low', 'height-high'],
  bass: ['endpin-length', 'height-low', 'height-high'],
  guitar: ['action', 'action-high', 'relief'],
  harp: [],
};

const BOW: readonly WorkStep[] = [
  step('cake', 'Scuff the new cake', ['Fine paper over its glossy skin until it is dull.'], {
    zone: 'bow-hair',
    caution: 'With a blade: an adult.',
  }),
  step(
    'rosin',
    'Rosin the new hair for minutes',
    ['Frog to tip, slowly, many passes, without pressing, until the hair is evenly white. Then a bow on the string: it speaks.'],
    { zone: 'bow-hair', records: 'rosined' },
  ),
  step('gap', 'The gap, and how many turns to it', ['From slack to the gap, half turns count. As hair stretches it becomes more.'], {
    zone: 'bow-screw',
    figures: ['bow-turns', 'bow-gap'],
    photo: true,
  }),
];

/** An instrument from the post or the shop, from the closed case to the first evening [handbook 10]. */
export const ARRIVAL: JobData = {
  id: 'arrival',
  text: 'From the closed case to the first evening: look over, bridge, strings, first measures, photographs.',
  minutes: 45,
  who: 'player',
  mends: [],
  compose: (context) => {
    const { facts } = context;
    const { family, setUp } = facts;
    const bowed = isBowed(family);
    return [
      step('warm', 'The closed case warms through', ['Indoors, shut, on its back. After a cold way an hour at least, a large one three.'], {
        picture: 'closed-case',
        waitMin: 60,
      }),
      step('open', 'Open it flat, and look at everything', [
        'Before anything is under tension: top, back, edges, neck, head. What the carrier did has to be told at once.',
      ], { zone: 'whole', look: 'outside' }),
      ...(family === 'harp'
        ? [step('seams', 'The soundboard’s seams', ['Edge and middle strip: closed all along.'], { picture: 'knuckle', look: 'soundboard' })]
        : [step('seams', 'A knuckle round the seams', ['One clear note all the way.'], { picture: 'knuckle', look: 'seams' })]),
      ...(bowed
        ? [
            step('post', 'Does the post stand?', ['Through the f-hole on the thin strings’ side, a torch at the other.'], {
              picture: 'through-f-hole',
              look: 'post',
              caution: 'It lies or rattles: no string is tightened. Back to the shop, or to a luthier.',
            }),
          ]
        : []),
      ...(setUp.floatingBridge && bowed ? bridgeUp(context) : []),
      step(
        'tune',
        'The first tuning',
        [
          'From below, a little each in turn; an octave is quickly mistaken, so listen to a note you trust.',
          bowed ? 'Let a teacher do it the first time.' : 'Then leave it an hour, and tune again.',
        ],
        { picture: 'tune', sounds: true, caution: bowed && setUp.player === 'child' ? 'A teacher or another adult.' : undefined },
      ),
      ...(bowed ? BOW : []),
      ...(FIRST[family].length > 0
        ? [step('measures', 'The first measures', ['As it came: what moves later is seen against these.'], { zone: 'bridge', figures: FIRST[family] })]
        : []),
      step(
        'photos',
        'Photographs for the insurer',
        ['Front, back, both sides, head, label and number, every mark it came with; the bow’s tip and frog; a bank card beside it for size.'],
        { zone: 'whole', photo: true },
      ),
      step('evening', 'The first evening', [
        bowed ? 'Slacken the bow, wipe strings and wood, rest off, into the case.' : 'Wipe the strings, and into the case.',
        'Tune it morning and evening: new strings and a new room move it for days.',
      ], { picture: 'clean' }),
    ];
  },
};
