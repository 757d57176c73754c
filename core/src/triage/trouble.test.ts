import fc from 'fast-check';
import {
  CAUSES,
  caseOnRecord,
  caseSchema,
  factsOnRecord,
  FINE,
  judgeCase,
  openTroubles,
  outcomesOf,
  priorOf,
  QUESTIONS,
  type CauseId,
  type QuestionId,
} from '.';
import { usualFacts } from '../instruments';
import { foldLog, type LogEvent } from '../log';
import { scribe } from '../testing/events';
import { seen } from '../testing/looks';
import { NOW, situation } from '../testing/situations';

const DAY = 86_400_000;
const { event, retract } = scribe();
const at = (daysAgo: number) => NOW - daysAgo * DAY;
const violin = usualFacts('violin');
const noticed = (daysAgo: number, symptoms: string[]) =>
  event('trouble-noticed', at(daysAgo), { symptoms, by: 'player' });
const answered = (trouble: LogEvent, daysAgo: number, question: string, answer: string) =>
  event('trouble-answered', at(daysAgo), { troubleId: trouble.id, question, answer });
const settled = (trouble: LogEvent, daysAgo: number, cause: string | null) =>
  event('trouble-settled', at(daysAgo), { troubleId: trouble.id, cause, by: 'workshop', note: '' });
const recordOf = (events: LogEvent[], facts = violin) => {
  const assessment = situation(facts, events);
  return caseOnRecord(assessment, assessment.log.troubles.at(-1)!);
};

test('a trouble is taken up where it was left: of two answers to one look the later holds, one taken back does not', () => {
  const trouble = noticed(3, ['hollow']);
  const first = answered(trouble, 2, 'post', 'gone');
  const second = answered(trouble, 1, 'post', FINE);
  expect(recordOf([trouble, first, second]).given?.answers).toEqual({ post: FINE });
  expect(recordOf([trouble, first, second, retract(second.id, at(0.5))]).given?.answers).toEqual({ post: 'gone' });
  expect(recordOf([trouble, first, retract(first.id, at(0.5))]).given?.answers).toEqual({});
});

test('findings of the look-over are answers, unless the player has answered since', () => {
  const trouble = noticed(3, ['hollow']);
  const found = event('looked-at', at(1), seen('bridge-lean', 'act'));
  const { given, looked } = recordOf([trouble, found]);
  expect(looked).toEqual({ 'bridge-side': 'leans' });
  expect(given?.answers).toEqual({ 'bridge-side': 'leans' });
  expect(recordOf([trouble, found, answered(trouble, 0.5, 'bridge-side', FINE)]).given?.answers).toEqual({
    'bridge-side': FINE,
  });
});

test('what no longer fits the instrument, and words nobody knows any more, are set aside and named', () => {
  const trouble = noticed(3, ['hollow', 'squeals', 'sings-by-itself']);
  const { given, misfits } = recordOf(
    [trouble, answered(trouble, 2, 'cake', 'glossy'), answered(trouble, 2, 'seams-seen', 'purple')],
    usualFacts('guitar'),
  );
  expect(given).toMatchObject({ family: 'guitar', symptoms: ['hollow'], answers: {} });
  expect(misfits).toEqual(['squeals', 'sings-by-itself', 'cake', 'seams-seen']);
  expect(recordOf([noticed(3, ['squeals'])], usualFacts('harp')).given).toBeNull();
});

test('left for long it is asked whether it is still so; once over it is not', () => {
  const trouble = noticed(365, ['hollow']);
  expect(recordOf([trouble]).stale).toBe(true);
  expect(recordOf([trouble, answered(trouble, 2, 'post', FINE)]).stale).toBe(false);
  expect(recordOf([trouble, settled(trouble, 300, null)]).stale).toBe(false);
  const log = foldLog([trouble, noticed(2, ['wolf']), settled(trouble, 300, null)], NOW, 'UTC');
  expect(openTroubles(log).map(({ symptoms }) => symptoms)).toEqual([['wolf']]);
});

test('what it was before makes it likelier, within bounds, and of its own cause alone', () => {
  const before = noticed(300, ['buzz-many']);
  const trouble = noticed(2, ['buzz-many']);
  const { given } = recordOf([before, settled(before, 290, 'chin-rest-loose'), trouble]);
  expect(given?.earlier).toEqual(['chin-rest-loose']);
  const plain = judgeCase({ ...given!, earlier: [] });
  const taught = judgeCase(given!);
  const chance = (judgement: typeof plain, id: CauseId) => judgement.causes.find((each) => each.id === id)!;
  expect(chance(taught, 'chin-rest-loose').chance).toBeGreaterThan(chance(plain, 'chin-rest-loose').chance);
  expect(chance(taught, 'chin-rest-loose').before).toBe(1);
  const all = Object.keys(CAUSES) as CauseId[];
  fc.assert(
    fc.property(fc.constantFrom(...all), fc.array(fc.constantFrom(...all), { maxLength: 20 }), (id, earlier) => {
      const [without, with_] = [priorOf(id, {}), priorOf(id, {}, earlier)];
      expect(with_).toBeGreaterThanOrEqual(without);
      expect(with_).toBeLessThanOrEqual(Math.min(0.6, 4 * without) + 1e-12);
      if (!earlier.includes(id)) expect(with_).toBe(without);
    }),
  );
});

test('what would change it is what it comes to once answered so', () => {
  const given = caseSchema.parse({ family: 'violin', symptoms: ['hollow'] });
  const { next } = judgeCase(given);
  const outcomes = outcomesOf(given, next!);
  expect(outcomes.map(({ answer }) => answer)).toEqual([FINE, ...Object.keys(QUESTIONS[next!].answers)]);
  for (const { answer, lead, who } of outcomes) {
    const answered_ = judgeCase({ ...given, answers: { [next as QuestionId]: answer } });
    expect({ lead, who }).toEqual({ lead: answered_.lead, who: answered_.who });
  }
  // At least one answer changes who or how soon, or what it is taken to be: else it would not be asked.
  expect(new Set(outcomes.map(({ lead, who, when }) => `${lead} ${who} ${when}`)).size).toBeGreaterThan(1);
});

test('an instrument that lay for decades is still a case', () => {
  const old = situation({ ...violin, since: '1960-01-01' }, [
    event('strings-fitted', at(20_000), { strings: null, reason: 'worn', known: true }),
  ]);
  expect(factsOnRecord(old).stringWear).toBe(10);
  const trouble = noticed(1, ['dull']);
  expect(
    recordOf([event('strings-fitted', at(20_000), { strings: null, reason: 'worn', known: true }), trouble]).given,
  ).not.toBeNull();
});

test('it got wet: what the first minutes were spent on is on record for the next case', () => {
  const work = event('job-began', at(1), { job: 'wet' });
  expect(factsOnRecord(situation(violin, [work])).wetDays).toBeCloseTo(1, 1);
});
