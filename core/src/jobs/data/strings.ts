import { BOWED } from '../../instruments';
import type { JobData, WorkContext, WorkStep } from '../work';

const percent = (fraction: number) => `${Math.round(fraction * 100)} %`;

/** Whether the wood explains it: out of its band on the side that does this to pegs. */
function airFirst({ air }: Pick<WorkContext, 'air'>, side: 'dry' | 'damp'): WorkStep {
  const { verdict } = air ?? {};
  const stands = verdict?.body ? ` The wood stands at ${percent(verdict.body.restRh)}.` : '';
  const explains = verdict?.side === side;
  const does = side === 'dry' ? 'Dry wood shrinks, and its pegs slip.' : 'Damp wood swells, and its pegs stick.';
  return {
    id: 'air',
    title: 'The air first',
    how: [
      `${does}${stands}`,
      explains
        ? 'That explains it: bring the air back over days. What follows helps until then.'
        : 'In steady air within its band a peg that does so does not fit, and is the workshop’s.',
    ],
    picture: 'closed-case',
  };
}

/** Jobs at pegs and tuners. */
export const STRING_JOBS: readonly JobData[] = [
  {
    id: 'pegs-slip',
    text: 'The air, the winding, the push; compound at the next change.',
    minutes: 10,
    who: 'player',
    for: { families: BOWED },
    mends: ['peg-dry-wood', 'peg-winding', 'peg-misfit'],
    compose: (context) => [
      airFirst(context, 'dry'),
      {
        id: 'winding',
        title: 'Look at the winding',
        how: [
          'Turn beside turn, outwards to the peg’s head, the last one lying at the wall of the pegbox: it draws the peg in.',
          'Piled over itself or far from the wall, it pushes the peg out.',
        ],
        picture: 'peg',
      },
      {
        id: 'rewind',
        title: 'Wind it anew where it is piled',
        how: ['One string only: down until it hangs loose, off the peg, through the hole again, first turn across itself, then outwards.'],
        caution: 'The others stay at pitch: they hold the bridge. Turn the face away while a thin string comes up.',
        picture: 'peg',
      },
      {
        id: 'push',
        title: 'Push while you turn',
        how: ['Thumb against the other side of the pegbox, peg pushed in as it turns up, and let go slowly.'],
        caution: 'Never hammered, never glued.',
        picture: 'none',
        zone: 'pegs',
      },
      {
        id: 'mark',
        title: 'A pencil dot on peg and head',
        how: ['Soft, across the edge of the peg. Has it turned after an hour, it slips still; has it not, the string settles.'],
        waitMin: 60,
        picture: 'none',
        zone: 'pegs',
      },
      {
        id: 'look',
        title: 'Does it hold now?',
        how: ['Still slipping in steady air: peg compound at the next string change, one peg at a time; then the workshop.'],
        picture: 'none',
        zone: 'pegs',
        look: 'pegs',
      },
    ],
  },
  {
    id: 'pegs-stick',
    text: 'Waiting is most of it: no force, no heat.',
    minutes: 5,
    who: 'player',
    for: { families: BOWED },
    mends: ['peg-damp-wood', 'peg-no-compound'],
    compose: (context) => [
      airFirst(context, 'damp'),
      {
        id: 'fine',
        title: 'Tune by the fine tuner meanwhile',
        how: ['Where the string has one. Otherwise leave it some cents off: a peg that is forced takes the pegbox along.'],
        caution: 'No pliers, no heat, no oil.',
        picture: 'fine-tuner',
      },
      {
        id: 'days',
        title: 'Usual air for some days',
        how: ['Case open in a room within its band. Try the peg once a day, downwards first, with the hand only.'],
        picture: 'none',
        zone: 'pegs',
      },
      {
        id: 'compound',
        title: 'Compound once it moves',
        how: [
          'At the next string change, one peg at a time: out, wiped, a trace of peg compound on the two shiny rings, in again, turned a few times.',
        ],
        caution: 'Each peg is fitted to its own hole: never swap two.',
        picture: 'peg',
      },
      {
        id: 'look',
        title: 'Does it move and hold?',
        how: ['Still stuck after a week of usual air: the workshop.'],
        picture: 'none',
        zone: 'pegs',
        look: 'pegs',
      },
    ],
  },
  {
    id: 'fine-tuner',
    text: 'Backed out, the string tuned at the peg; a trace of grease, off the wood.',
    minutes: 4,
    who: 'player',
    for: { families: BOWED },
    mends: ['fine-tuner-spent', 'fine-tuner-loose'],
    compose: ({ facts: { setUp } }) => [
      {
        id: 'back',
        title: 'Turn its screw out',
        how: ['Until two or three turns are left in. The string goes flat meanwhile.'],
        caution: 'Screwed in too far, its lever scratches the top under it.',
        picture: 'fine-tuner',
      },
      {
        id: 'peg',
        title: 'Up again by the peg',
        how: ['Slowly, pushing in, to just below the pitch; the last cents by the tuner.'],
        caution: `${setUp.player === 'child' ? 'A teacher or another adult turns the peg. ' : ''}Turn the face away from a thin string.`,
        picture: 'tune',
      },
      {
        id: 'stiff',
        title: 'Stiff? A trace of grease',
        how: ['The screw right out, a trace of grease or candle wax on its thread with a toothpick, in again. A cloth under it keeps it off the wood.'],
        picture: 'none',
        zone: 'under-tailpiece',
      },
      {
        id: 'nut',
        title: 'Loose? Its ring nut by hand',
        how: ['Two fingers, until it holds. A loose one buzzes on one note.'],
        picture: 'none',
        zone: 'under-tailpiece',
      },
      {
        id: 'look',
        title: 'Travel left, and the bridge upright?',
        how: ['Tuning at the peg may have pulled the bridge: look from the side.'],
        picture: 'bridge',
        look: 'fine-tuners',
      },
    ],
  },
];
