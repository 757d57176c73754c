import type { Schools } from '../schools';
import type { InstrumentFacts } from './facts';
import type { Family, Kind } from './families';
import type { CaseKind, Finish, RestKind } from './family';

/** Which instruments and players something that is done or looked at, or one wording of it, is for. Everything said must hold; what is left out holds for all. */
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

/** Whether a step, a look, or a wording of one, is for this instrument and these schools. */
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
