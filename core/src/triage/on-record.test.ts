import fc from 'fast-check';
import {
  answersOnRecord,
  caseSchema,
  concerns,
  factsOnRecord,
  factsSchema,
  judgeCase,
  SYMPTOMS,
  type SymptomId,
} from '.';
import { usualFacts } from '../instruments';
import { scribe } from '../testing/events';
import { seen } from '../testing/looks';
import { anyFacts, anyLog, NOW, situation } from '../testing/situations';

const DAY = 86_400_000;
const { event } = scribe();
const at = (daysAgo: number) => NOW - daysAgo * DAY;
const looked = (daysAgo: number, look: 'bridge-lean' | 'seams', verdict: 'good' | 'watch' | 'act') =>
  event('looked-at', at(daysAgo), seen(look, verdict));

test('what is on record is told in its own figures; what nobody knows is left out', () => {
  const known = situation({ ...usualFacts('violin'), since: '2026-05-22' }, [
    event('strings-fitted', at(400), { strings: null, reason: 'worn', known: true }),
    event('rehaired', at(10), { reason: 'worn', known: true }),
    event('knocked', at(1), {}),
    event('checked-up', at(610), { known: true }),
    event('session-entered', at(35), { endedAt: new Date(at(35) + 3_600_000).toISOString() }),
  ]);
  const facts = factsOnRecord(known);
  expect(facts.stringDays).toBeCloseTo(400, 0);
  expect(facts.hairDays).toBeCloseTo(10, 0);
  expect(facts.knockDays).toBeCloseTo(1, 0);
  expect(facts.checkupMonths).toBeCloseTo(20, 0);
  expect(facts.lyingWeeks).toBeCloseTo(5, 0);
  expect(facts.newDays).toBeCloseTo(10.8, 0);
  expect(facts.stringWear).toBeGreaterThan(0);
  expect(facts).not.toHaveProperty('wood');
  expect(factsOnRecord(situation(usualFacts('harp', 'lever')))).not.toHaveProperty('stringDays');
});

test('what was looked at of late is an answer already; what was long ago, or is seen to, is not', () => {
  const bad = looked(2, 'bridge-lean', 'act');
  const known = situation(usualFacts('violin'), [looked(40, 'seams', 'good'), bad]);
  expect(answersOnRecord(known)).toEqual({ 'bridge-side': 'leans' });
  const settled = situation(usualFacts('violin'), [
    bad,
    event('finding-settled', at(1), { findingId: bad.id, how: 'mended' }),
    looked(3, 'seams', 'good'),
  ]);
  expect(answersOnRecord(settled)).toEqual({ 'seams-seen': 'fine' });
});

test('of any instrument and any log comes a case that can be judged', () => {
  fc.assert(
    fc.property(anyFacts, anyLog, (own, events) => {
      const assessment = situation(own, events);
      const facts = factsOnRecord(assessment);
      expect(factsSchema.safeParse(facts).error).toBeUndefined();
      const { family, kind } = own;
      const symptom = (Object.keys(SYMPTOMS) as SymptomId[]).find((id) => concerns(SYMPTOMS[id], { family, kind }))!;
      const read = caseSchema.safeParse({
        family,
        kind,
        facts,
        symptoms: [symptom],
        answers: answersOnRecord(assessment),
      });
      expect(read.error).toBeUndefined();
      expect(judgeCase(read.data!).causes.length).toBeGreaterThan(0);
    }),
    { numRuns: 40 },
  );
});
