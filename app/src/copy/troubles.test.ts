import {
  answerWords,
  calmedWords,
  chanceWords,
  raisedWords,
  signWords,
  speaks,
  symptomsWords,
  whoWords,
} from './troubles';
import { FAMILIES } from '@tembrin/core/instruments';
import { CONDITIONS, FINE, judgeCase, QUESTIONS, SIGNS, type Condition, type QuestionId } from '@tembrin/core/triage';

const played = { stringHours: 208, hairHours: 90, restRh: 0.31 };
const conditions = Object.keys(CONDITIONS) as Condition[];

test('what is on record speaks in the log’s own figures', () => {
  expect(raisedWords('strings-worn', { stringWear: 0.92 }, played)).toBe(
    'The strings have 208 h, 92 % of their usual life behind them.',
  );
  expect(calmedWords('strings-worn', { stringWear: 0.38 }, played)).toBe(
    'The strings have 208 h, 38 % of their usual life behind them: usual at this age.',
  );
  expect(raisedWords('dry', {}, played)).toBe('The wood is too dry (at rest at 31 %).');
  expect(raisedWords('dry', {}, { ...played, restRh: null })).toBe('The wood is too dry.');
  expect(raisedWords('knock', { knockDays: 0.2 }, played)).toBe('It fell or was knocked today.');
  expect(raisedWords('knock', { knockDays: 1 }, played)).toBe('It fell or was knocked 1 day ago.');
  expect(raisedWords('rosin-due', { rosinMinutes: 184 }, played)).toBe('184 minutes were bowed since the last rosin.');
});

test('every condition, sign and answer has words, none of them an id', () => {
  for (const condition of conditions) expect(raisedWords(condition, {}, played)).toMatch(/^[A-Z0-9].+\.$/);
  for (const sign of SIGNS) expect(signWords(sign)).toMatch(/^[A-Z].+[^/]$/);
  for (const question of Object.keys(QUESTIONS) as QuestionId[])
    for (const answer of [FINE, ...Object.keys(QUESTIONS[question].answers)])
      expect(answerWords(question, answer)).toMatch(/^[A-Z0-9].*[^.]$/);
  // Words that are not known any more are read as they stand.
  expect(symptomsWords(['hollow', 'sings-by-itself'])).toBe('Suddenly different or hollow and sings by itself');
});

test('a cause says what speaks for it and against it, each thing once', () => {
  const given = {
    family: 'violin' as const,
    kind: null,
    player: 'player' as const,
    facts: { stringWear: 0.38, wood: 'dry' as const, knockDays: 1 },
    earlier: ['post-fallen' as const],
    symptoms: ['hollow' as const],
    answers: { post: FINE, knuckle: 'rattle' },
  };
  const { causes } = judgeCase(given);
  const of = (id: string) =>
    speaks(
      causes.find((each) => each.id === id)!,
      given.facts,
      played,
    );
  expect(of('seam-open').for).toEqual([
    'Suddenly different or hollow.',
    'Rap round the edge with a knuckle: one clear note? A buzz or a dull spot.',
    'The wood is too dry (at rest at 31 %).',
    'It fell or was knocked 1 day ago.',
  ]);
  expect(of('post-fallen').for).toContain('It was this before, once.');
  expect(of('post-fallen').against).toEqual([
    'Not seen: Through the f-hole on the thin strings’ side: does the post stand? It is gone or lies.',
  ]);
  for (const cause of causes) {
    const { for: speaksFor, against } = speaks(cause, given.facts, played);
    for (const list of [speaksFor, against]) expect(new Set(list).size).toBe(list.length);
  }
});

test('who and how soon, and how likely, are said in words', () => {
  expect(whoWords({ who: 'workshop', when: 'visit' }, 'violin')).toBe('A luthier, with the next visit.');
  expect(whoWords({ who: 'workshop', when: 'now' }, 'harp')).toBe('A technician, now; it is not played until then.');
  expect(whoWords({ who: 'self', when: 'visit' }, 'cello')).toBe('Yourself, when it suits.');
  for (const family of FAMILIES) expect(whoWords({ who: 'self', when: 'soon' }, family)).toBe('Yourself, soon.');
  expect([0.9, 0.6, 0.3, 0.1, 0.01].map(chanceWords)).toEqual([
    'very likely',
    'likely',
    'possible',
    'unlikely',
    'hardly',
  ]);
});
