import type { GuidedStep } from '../../guided';
import { recordOf, type InstrumentFacts, type StringSpec } from '../../instruments';
import { CHILD, EYES } from './step';
import { WAYS } from './ways';

/** How a set is changed: spread over days, one after another, or all off where that is safe. */
export type ChangeWay = 'A' | 'B' | 'C';

/** A stretch of the job: before the first string, one string, or after the last. */
export interface JobBlock {
  /** Position of the string; null before and after. */
  position: number | null;
  steps: GuidedStep[];
}

export interface ChangeJob {
  way: ChangeWay;
  /** Asked for all off where the strings hold bridge and post: refused, and done one after another. */
  refusedAllOff: boolean;
  /** Order in which the strings are changed. */
  order: number[];
  blocks: JobBlock[];
}

/**
 * Order of change: outside in, lowest, highest, next lowest … of four strings 4-1-3-2 [handbook 4]; or from the lowest up.
 * @param positions lowest string 0
 */
export function changeOrder({ family }: Pick<InstrumentFacts, 'family'>, positions: readonly number[]): number[] {
  const rising = [...positions].sort((a, b) => a - b);
  if (recordOf(family).strings.order === 'rising') return rising;
  const order: number[] = [];
  for (let low = 0, high = rising.length - 1; low <= high; low++, high--) {
    order.push(rising[low]!);
    if (high > low) order.push(rising[high]!);
  }
  return order;
}

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
  const { held } = recordOf(facts.family).strings;
  const whole = positions.length === facts.stringCount;
  const refusedAllOff = wanted === 'C' && (facts.setUp.floatingBridge || held !== 'post');
  const allOff = wanted === 'C' && !refusedAllOff && whole;
  const way: ChangeWay = allOff ? 'C' : wanted === 'A' ? 'A' : 'B';
  const order = changeOrder(facts, positions);
  const thinnest = Math.max(...positions);
  const blocks: JobBlock[] = [
    { position: null, steps: before(facts, allOff) },
    ...order.map((position) => {
      const thin = position === thinnest && position === facts.stringCount - 1;
      return { position, steps: stringSteps(facts, position, specs(position), thin, allOff) };
    }),
    { position: null, steps: after(facts) },
  ];
  return { way, refusedAllOff, order, blocks };
}

function before(facts: InstrumentFacts, allOff: boolean): GuidedStep[] {
  const { title, how } = WAYS[recordOf(facts.family).strings.held].ready(allOff);
  const lay: GuidedStep = {
    id: 'ready',
    title,
    how: [how, 'Have the new strings in order, cutters, a soft pencil and a cloth within reach.'],
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

const OFF: GuidedStep = {
  id: 'off',
  title: 'Slacken it and take it off',
  how: ['Turn it down until it hangs loose; only then free it at both ends. The others stay at pitch.'],
  caution: 'A frayed string cuts: hold it with the cloth.',
  picture: 'loosen',
};

const BRIDGE: GuidedStep = {
  id: 'bridge',
  title: 'Look at the bridge',
  how: [
    'From the side: its back face stands at 90° to the top, its feet lie flat, between the notches of the f-holes. Tuning pulls its top towards the pegs.',
    'If it leans, ease the strings slightly and set it upright with both hands. If you have not been shown how, a teacher or a luthier does it.',
  ],
  caution: 'If it falls, stop: the sound post may have gone with it. Do not tune up again; see a luthier.',
  picture: 'bridge',
};

function stringSteps(
  facts: InstrumentFacts,
  position: number,
  spec: StringSpec | null,
  thin: boolean,
  allOff: boolean,
): GuidedStep[] {
  const way = WAYS[recordOf(facts.family).strings.held];
  const tune: GuidedStep = {
    id: 'tune',
    title: 'Bring it up slowly',
    how: [way.tune],
    caution: thin ? EYES : undefined,
    picture: 'tune',
  };
  const steps = [
    ...way.before,
    ...(allOff ? [] : [OFF]),
    ...way.fit(facts, spec, thin),
    tune,
    ...way.then,
    ...(facts.setUp.floatingBridge ? [BRIDGE] : []),
  ];
  return steps.map((step) => ({ ...step, id: `${position}-${step.id}` }));
}

function after(facts: InstrumentFacts): GuidedStep[] {
  const steps: GuidedStep[] = [
    {
      id: 'all-round',
      title: 'Tune all round, twice',
      how: ['New tension on one string takes it from the others. Go round until none moves any more.'],
      picture: 'tune',
    },
  ];
  if (recordOf(facts.family).strings.held === 'post' && !facts.setUp.floatingBridge) {
    steps.push({
      id: 'cut',
      title: 'Cut the ends',
      how: ['A finger’s breadth from the post, bent inwards.'],
      picture: 'post',
    });
  }
  return steps;
}
