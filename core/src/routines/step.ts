import type { CaseKind, Family, Figure, Finish, InstrumentFacts, Kind, RestKind, Zone } from '../instruments';
import type { Schools } from '../schools';

/** What a step is done with. */
export const TOOLS = ['hands', 'dry cloth', 'second cloth', 'brush', 'cleaner on a cloth', 'rosin', 'none'] as const;
export type Tool = (typeof TOOLS)[number];

/** Which instruments and players a step, or one wording of it, is for. Everything said must hold; what is left out holds for all. */
export interface Applies {
  families?: readonly Family[];
  kinds?: readonly Kind[];
  rest?: readonly RestKind[];
  case?: readonly CaseKind[];
  finish?: readonly Finish[];
  stand?: boolean;
  endpin?: boolean;
  humidifier?: boolean;
  floatingBridge?: boolean;
  school?: Partial<Schools>;
}

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

/** Whether a step, or a wording of it, is for this instrument and these schools. */
export function applies(rule: Applies | undefined, facts: InstrumentFacts, schools: Schools): boolean {
  if (!rule) return true;
  const { setUp } = facts;
  const among = <T>(list: readonly T[] | undefined, value: T | null) =>
    list === undefined || (value !== null && list.includes(value));
  const is = (wanted: boolean | undefined, value: boolean) => wanted === undefined || wanted === value;
  return (
    among(rule.families, facts.family) &&
    among(rule.kinds, facts.kind) &&
    among(rule.rest, setUp.shoulderRest) &&
    among(rule.case, setUp.case) &&
    among(rule.finish, setUp.finish) &&
    is(rule.stand, setUp.stand) &&
    is(rule.endpin, setUp.endpin) &&
    is(rule.humidifier, setUp.humidifier) &&
    is(rule.floatingBridge, setUp.floatingBridge) &&
    Object.entries(rule.school ?? {}).every(([id, side]) => schools[id as keyof Schools] === side)
  );
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
