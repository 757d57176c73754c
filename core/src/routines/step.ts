import { applies, type Applies, type Figure, type InstrumentFacts, type Zone } from '../instruments';
import type { Schools } from '../schools';

/** What a step is done with. */
export const TOOLS = ['hands', 'dry cloth', 'second cloth', 'brush', 'cleaner on a cloth', 'rosin', 'none'] as const;
export type Tool = (typeof TOOLS)[number];

/** When a step that is not for every day is due. */
export interface DueRule {
  /** Days since it was last done. */
  everyDays: number;
  /** Only when new strings are due, so that it is done while they are off. */
  withStrings?: true;
}

/** One step of a round in one wording. Steps with the same id are wordings of the same step; at most one of them applies. */
export interface StepData<Id extends string = string> {
  id: Id;
  /** What to do, as a short command. */
  title: string;
  /** How exactly, one sentence after another. */
  how: readonly string[];
  why: string;
  zone: Zone;
  tool: Tool;
  caution?: string;
  /** An adult does it, or stands by, where a child plays. */
  adult?: true;
  for?: Applies;
  /** Steps it comes after, where they are part of the round. */
  after?: readonly Id[];
  due?: DueRule;
  /** Figure of the set-up sheet that tells this player's own measure. */
  figure?: Figure;
}

/** A circle in the order of steps; a fault in the data. */
export class CircularOrder extends Error {}

/**
 * Puts steps in an order that keeps every constraint; where constraints leave a choice, the order of the data.
 * @throws CircularOrder when the constraints contradict each other
 */
export function inOrder<Id extends string>(steps: readonly StepData<Id>[]): StepData<Id>[] {
  const waiting = [...steps];
  const present = new Set(steps.map(({ id }) => id));
  const done = new Set<Id>();
  const ordered: StepData<Id>[] = [];
  while (waiting.length > 0) {
    const at = waiting.findIndex(({ after = [] }) => after.every((id) => done.has(id) || !present.has(id)));
    if (at < 0) throw new CircularOrder(`No order keeps: ${waiting.map(({ id }) => id).join(', ')}`);
    const [next] = waiting.splice(at, 1);
    done.add(next!.id);
    ordered.push(next!);
  }
  return ordered;
}

/**
 * The steps of a round for this instrument and these schools, each in its wording, in order; whether due or not.
 * @throws CircularOrder
 */
export function stepsFor<Id extends string>(
  data: readonly StepData<Id>[],
  facts: InstrumentFacts,
  schools: Schools,
): StepData<Id>[] {
  return inOrder(data.filter((step) => applies(step.for, facts, schools)));
}
