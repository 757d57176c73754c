import { FAMILY_FACTS } from '../instruments/families';
import type { InstrumentFacts } from '../instruments/instrument';
import { slackMm } from './compare';
import type { StringSpec } from './spec';

/** How a set is changed: spread over days, one after another, or all off where that is safe. */
export type ChangeWay = 'A' | 'B' | 'C';

/** What a step's picture shows. */
export const JOB_PICTURES = [
  'fine-tuner',
  'loosen',
  'graphite',
  'anchor',
  'peg',
  'post',
  'knot',
  'protector',
  'tune',
  'bridge',
  'stretch',
  'clean',
  'none',
] as const;
export type JobPicture = (typeof JOB_PICTURES)[number];

export interface JobStep {
  id: string;
  title: string;
  how: readonly string[];
  caution?: string;
  picture: JobPicture;
}

/** A stretch of the job: before the first string, one string, or after the last. */
export interface JobBlock {
  /** Position of the string; null before and after. */
  position: number | null;
  steps: JobStep[];
}

export interface ChangeJob {
  way: ChangeWay;
  /** Asked for all off where the strings hold bridge and post: refused, and done one after another. */
  refusedAllOff: boolean;
  /** Order in which the strings are changed. */
  order: number[];
  blocks: JobBlock[];
}

/** Wraps on a guitar's post: three to four [handbook 4]. */
const WRAPS = 3.5;

/**
 * Order of change, outside in: lowest, highest, next lowest … of four strings 4-1-3-2 [handbook 4]. A guitar and a harp go from the lowest.
 * @param positions lowest string 0
 */
export function changeOrder(facts: Pick<InstrumentFacts, 'family'>, positions: readonly number[]): number[] {
  const rising = [...positions].sort((a, b) => a - b);
  if (!FAMILY_FACTS[facts.family].bowed) return rising;
  const order: number[] = [];
  for (let low = 0, high = rising.length - 1; low <= high; low++, high--) {
    order.push(rising[low]!);
    if (high > low) order.push(rising[high]!);
  }
  return order;
}

const EYES = 'A string under tension can whip. Turn the face away, and wear glasses when bringing a thin one up.';
const CHILD = 'A teacher or another adult who has done it fits strings for a child or a beginner.';

/**
 * The change as a guided job: composed for family, set-up, school and the strings meant [handbook 4].
 * All off only where neither bridge nor post is held by the strings; elsewhere one string at a time, whatever was asked.
 * @param positions which strings
 * @param specs what goes on, by position; null where not said
 */
export function changeJob(
  facts: InstrumentFacts,
  wanted: ChangeWay,
  positions: readonly number[],
  specs: (position: number) => StringSpec | null,
): ChangeJob {
  const floating = facts.setUp.floatingBridge;
  const whole = positions.length === facts.stringCount;
  const refusedAllOff = wanted === 'C' && (floating || facts.family === 'harp');
  const allOff = wanted === 'C' && !refusedAllOff && whole;
  const way: ChangeWay = allOff ? 'C' : wanted === 'A' ? 'A' : 'B';
  const order = changeOrder(facts, positions);
  const thinnest = Math.max(...positions);
  const blocks: JobBlock[] = [
    { position: null, steps: before(facts, allOff) },
    ...order.map((position) => ({
      position,
      steps: stringSteps(
        facts,
        position,
        specs(position),
        position === thinnest && position === facts.stringCount - 1,
        allOff,
      ),
    })),
    { position: null, steps: after(facts) },
  ];
  return { way, refusedAllOff, order, blocks };
}

function before(facts: InstrumentFacts, allOff: boolean): JobStep[] {
  const bowed = FAMILY_FACTS[facts.family].bowed;
  const lay: JobStep = {
    id: 'ready',
    title: bowed
      ? 'Lay it on its back, bridge in sight'
      : facts.family === 'harp'
        ? 'Stand it firm, in good light'
        : 'Lay it on a cloth, neck supported',
    how: [
      bowed
        ? 'One string at a time, never all off: the strings hold the bridge, and the bridge’s load holds the sound post.'
        : facts.family === 'harp'
          ? 'One string at a time. Keep clear of the string you bring up: harp strings carry a large load.'
          : allOff
            ? 'All may come off: this bridge is fixed. Slacken them in turn, a little each, so that the neck gives way evenly.'
            : 'One string after another keeps the neck at rest.',
      'Have the new strings in order, cutters, a soft pencil and a cloth within reach.',
    ],
    caution: facts.setUp.player === 'child' ? `${CHILD} ${EYES}` : EYES,
    picture: 'none',
  };
  if (!allOff) return [lay];
  return [
    lay,
    {
      id: 'all-off',
      title: 'Take all strings off',
      how: ['Slacken all first, then cut none under tension.'],
      picture: 'loosen',
    },
    {
      id: 'clean',
      title: 'Clean the fretboard while it is bare',
      how: [
        'A dry cloth; fretboard oil only to clean, once or twice a year, a few drops on the cloth. It does not add moisture.',
      ],
      picture: 'clean',
    },
  ];
}

function stringSteps(
  facts: InstrumentFacts,
  position: number,
  spec: StringSpec | null,
  thin: boolean,
  allOff: boolean,
): JobStep[] {
  const bowed = FAMILY_FACTS[facts.family].bowed;
  const steps: JobStep[] = [];
  const add = (step: JobStep) => steps.push({ ...step, id: `${position}-${step.id}` });
  if (bowed) {
    add({
      id: 'fine-tuner',
      title: 'Back the fine tuner out',
      how: ['To the end of its travel, where the string has one, so that it can work again on the new string.'],
      picture: 'fine-tuner',
    });
  }
  if (!allOff) {
    add({
      id: 'off',
      title: 'Slacken it and take it off',
      how: ['Turn it down until it hangs loose; only then free it at both ends. The others stay at pitch.'],
      caution: 'A frayed string cuts: hold it with the cloth.',
      picture: 'loosen',
    });
  }
  if (bowed) {
    add({
      id: 'graphite',
      title: 'Pencil in both grooves',
      how: [
        'A soft pencil once through the groove of the nut and of the bridge, so that the string slides instead of pulling the bridge.',
      ],
      picture: 'graphite',
    });
    const end =
      spec?.end === 'loop'
        ? 'The loop over the hook'
        : spec?.end === 'ball'
          ? 'The ball into the slot'
          : 'Ball or loop';
    add({
      id: 'anchor',
      title: `${end === 'Ball or loop' ? end : end.split(' ').slice(0, 2).join(' ')} to the tailpiece`,
      how: [`${end}, seated before it bears any load.`],
      picture: 'anchor',
    });
    add({
      id: 'peg',
      title: 'Through the peg, one turn across itself',
      how: [
        'Push the other end through the hole, let the first turn cross over it, then wind outwards to the peg’s head, turn beside turn.',
        'Each peg is fitted to its own hole: never swap two.',
      ],
      picture: 'peg',
    });
    if (thin) {
      add({
        id: 'protector',
        title: 'The protector on the bridge',
        how: [
          'The little sleeve, or the parchment on the bridge, goes under the thinnest string so that it does not cut in.',
        ],
        picture: 'protector',
      });
    }
  } else if (facts.family === 'guitar') {
    const slack = Math.round(slackMm(WRAPS, facts.stringing.postMm));
    add({
      id: 'anchor',
      title: 'Anchor it at the bridge',
      how: [
        facts.kind === 'classical'
          ? 'Through the bridge, under itself and tucked behind the edge: twice for the thin ones.'
          : 'Ball seated against the plate; pull on it before the pin goes down.',
      ],
      picture: 'anchor',
    });
    add({
      id: 'post',
      title: `Leave ${slack} mm of slack`,
      how: [
        `${WRAPS} wraps on a post of ${facts.stringing.postMm} mm take ${WRAPS} × π × ${facts.stringing.postMm} = ${slack} mm. Pull it straight to the post, then let so much back.`,
        'Wind downwards, each wrap below the one before; no wrap over another.',
      ],
      picture: 'post',
    });
  } else {
    add({
      id: 'knot',
      title: 'Tie the knot for its register',
      how: [
        spec?.core === 'steel'
          ? 'A wire string has its own end: draw it through until it sits.'
          : 'A double knot with a short piece of thick string in it for thin strings, without for thick ones; drawn tight before it goes in.',
        'From the soundboard up, through the pin, two or three turns, the end clear of its neighbours.',
      ],
      picture: 'knot',
    });
  }
  add({
    id: 'tune',
    title: 'Bring it up slowly',
    how: [
      bowed
        ? 'Push the peg in while turning, and never go above the pitch. The other strings go flat meanwhile: leave them until this one is near.'
        : 'Turn up in small steps; stop below the pitch, let it rest, then come to it from below.',
    ],
    caution: thin ? EYES : undefined,
    picture: 'tune',
  });
  if (facts.family === 'guitar') {
    add({
      id: 'stretch',
      title: 'Stretch it, tune it again',
      how: [
        'Draw it a finger’s breadth off the fretboard along its length, gently, and bring it back to pitch; two or three times.',
      ],
      picture: 'stretch',
    });
  }
  if (facts.setUp.floatingBridge) {
    add({
      id: 'bridge',
      title: 'Look at the bridge',
      how: [
        'From the side: its back face stands at 90° to the top, its feet lie flat, between the notches of the f-holes. Tuning pulls its top towards the pegs.',
        'If it leans, ease the strings slightly and set it upright with both hands. If you have not been shown how, a teacher or a luthier does it.',
      ],
      caution: 'If it falls, stop: the sound post may have gone with it. Do not tune up again; see a luthier.',
      picture: 'bridge',
    });
  }
  return steps;
}

function after(facts: InstrumentFacts): JobStep[] {
  const steps: JobStep[] = [
    {
      id: 'all-round',
      title: 'Tune all round, twice',
      how: ['New tension on one string takes it from the others. Go round until none moves any more.'],
      picture: 'tune',
    },
  ];
  if (facts.family === 'guitar' && !facts.setUp.floatingBridge) {
    steps.push({
      id: 'cut',
      title: 'Cut the ends',
      how: ['A finger’s breadth from the post, bent inwards.'],
      picture: 'post',
    });
  }
  return steps;
}
