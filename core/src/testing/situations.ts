import fc from 'fast-check';
import { assess, type Assessment } from '../assess';
import { closingRound } from '../routines';
import {
  CASES,
  FAMILIES,
  FINISHES,
  HABITS,
  RESTS,
  kindsOf,
  recordOf,
  schoolsFor,
  usualFacts,
  type Family,
  type InstrumentFacts,
} from '../instruments';
import { foldLog, type LogEvent, type StepId } from '../log';
import { SCHOOLS, type Schools } from '../schools';
import { DAY_MS, HOUR_MS } from '../time';
import { scribe } from './events';

/** Situations for tests of the rounds: usual ones, and any a household can have. */
export const NOW = Date.parse('2026-06-01T20:00:00.000Z');

export function situation(
  facts: InstrumentFacts,
  events: readonly LogEvent[] = [],
  schools: Schools = schoolsFor(facts.family, {}, facts.schools),
): Assessment {
  const log = foldLog(events, NOW, 'UTC');
  return assess(facts, log, { schools, observedFrom: NOW - 300 * DAY_MS });
}
export const ids = <Id extends string>(steps: readonly { step: Id }[]) => steps.map(({ step }) => step);
export const steps = (facts: InstrumentFacts, schools?: Schools) => ids(closingRound(situation(facts, [], schools)));
export const withSetUp = (family: Family, setUp: Partial<InstrumentFacts['setUp']>): InstrumentFacts => {
  const usual = usualFacts(family);
  return { ...usual, setUp: { ...usual.setUp, ...setUp } };
};

/** Any instrument a household can have. */
export const anyFacts: fc.Arbitrary<InstrumentFacts> = fc.constantFrom(...FAMILIES).chain((family) =>
  fc
    .record({
      kind: kindsOf(family).length > 0 ? fc.constantFrom(...kindsOf(family)) : fc.constant(null),
      shoulderRest: recordOf(family).takes.chin ? fc.constantFrom(...RESTS) : fc.constant('none' as const),
      case: fc.constantFrom(...CASES),
      stand: fc.boolean(),
      endpin: recordOf(family).takes.endpin ? fc.boolean() : fc.constant(false),
      humidifier: fc.boolean(),
      floatingBridge: fc.boolean(),
      finish: fc.constantFrom(...FINISHES),
      player: fc.constantFrom('adult' as const, 'child' as const),
      leftHanded: recordOf(family).takes.handed ? fc.boolean() : fc.constant(false),
      bodyMm: recordOf(family).body ? fc.option(fc.integer({ min: 290, max: 440 })) : fc.constant(null),
      habit: fc.constantFrom(...HABITS, null),
    })
    .map(({ kind, ...setUp }) => ({ ...usualFacts(family, kind ?? undefined), setUp })),
);
export const anySchools: fc.Arbitrary<Schools> = fc
  .tuple(...SCHOOLS.map(() => fc.constantFrom('A' as const, 'B' as const)))
  .map((sides) => Object.fromEntries(SCHOOLS.map((id, at) => [id, sides[at]!])) as Schools);
/** A year and a bit of playing with steps done now and then. */
export const anyLog: fc.Arbitrary<LogEvent[]> = fc
  .array(
    fc.record({
      daysAgo: fc.integer({ min: 0, max: 400 }),
      hours: fc.double({ min: 0.1, max: 3, noNaN: true }),
      done: fc.subarray<StepId>([
        'wipe-strings',
        'wipe-hands',
        'chin-rest',
        'action-dust',
        'humidifier',
        'weekly-clean',
      ]),
    }),
    { maxLength: 12 },
  )
  .map((evenings) => {
    const { session, event } = scribe();
    return evenings.flatMap(({ daysAgo, hours, done }): LogEvent[] => {
      const [began, ended] = session(NOW - daysAgo * DAY_MS - 6 * HOUR_MS, hours);
      return [began, ended, ...done.map((step) => event('step-done', ended.occurredAt, { step, sessionId: began.id }))];
    });
  });
