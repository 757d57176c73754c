import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import {
  CAUSES,
  caseSchema,
  CHANCES,
  concerns,
  CONDITIONS,
  factsSchema,
  FINE,
  judgeCase,
  priorOf,
  QUESTIONS,
  SIGNS,
  SKILLS,
  SYMPTOMS,
  type Case,
  type CauseId,
  type Condition,
  type Facts,
  type QuestionId,
  type SignId,
  type SymptomId,
} from '.';
import { FAMILIES, kindsOf, type Family, type Kind } from '../instruments';

const causeIds = Object.keys(CAUSES) as CauseId[];
const symptomIds = Object.keys(SYMPTOMS) as SymptomId[];
const questionIds = Object.keys(QUESTIONS) as QuestionId[];
const SUBJECTS = FAMILIES.flatMap((family): { family: Family; kind: Kind | null }[] => {
  const kinds: readonly (Kind | null)[] = kindsOf(family).length === 0 ? [null] : kindsOf(family);
  return kinds.map((kind) => ({ family, kind }));
});
const given = (more: Partial<Case> & Pick<Case, 'family' | 'symptoms'>): Case =>
  caseSchema.parse({ kind: null, player: 'practised', facts: {}, answers: {}, ...more });
const symptomsOf = (subject: { family: Family; kind: Kind | null }) =>
  symptomIds.filter((id) => concerns(SYMPTOMS[id], subject));

/** Facts under which each condition holds. */
const RIPE: Readonly<Record<Condition, Facts>> = {
  'strings-new': { stringDays: 10 },
  'strings-just-on': { stringDays: 1 },
  'strings-worn': { stringWear: 0.9 },
  'strings-spent': { stringWear: 1.3 },
  'hair-new': { hairDays: 3 },
  'hair-worn': { hairWear: 1.2 },
  'rosin-due': { rosinMinutes: 300 },
  'rosin-just': { rosinMinutes: 1 },
  residue: { residueDays: 30 },
  dry: { wood: 'dry' },
  damp: { wood: 'damp' },
  drying: { drift: 'drying' },
  wetting: { drift: 'wetting' },
  journey: { journeyDays: 1 },
  knock: { knockDays: 1 },
  wet: { wetDays: 0 },
  'new-here': { newDays: 2 },
  'left-tight': { tightHours: 100 },
  'checkup-late': { checkupMonths: 40 },
  lay: { lyingWeeks: 8 },
};

/** A case of one cause, as plain as it gets: what it shows most often is said, and what it nearly always shows is answered. */
function plainCase(id: CauseId): Case {
  const subject = SUBJECTS.find((each) => concerns(CAUSES[id], each))!;
  const shows = (Object.entries(CAUSES[id].shows) as [SignId, keyof typeof CHANCES][]).sort(
    (a, b) => CHANCES[b[1]] - CHANCES[a[1]],
  );
  const symptoms = shows
    .flatMap(([sign]) => (sign in SYMPTOMS ? [sign as SymptomId] : []))
    .filter((each) => concerns(SYMPTOMS[each], subject));
  const answers = shows.flatMap(([sign, chance]) => {
    const [question, answer] = sign.split('/') as [QuestionId, string | undefined];
    return answer !== undefined && CHANCES[chance] >= CHANCES.often && concerns(QUESTIONS[question], subject)
      ? [[question, answer] as const]
      : [];
  });
  const facts = Object.keys(CAUSES[id].raised ?? {}).reduce(
    (all, condition) => ({ ...all, ...RIPE[condition as Condition] }),
    {},
  );
  return given({ ...subject, facts, symptoms: symptoms.slice(0, 2), answers: Object.fromEntries(answers) });
}

/** Follows what is asked next to the end. @param answerOf what is answered */
function walk(first: Case, answerOf: (question: QuestionId) => string): QuestionId[] {
  const asked: QuestionId[] = [];
  for (let now = first; asked.length < questionIds.length;) {
    const { next } = judgeCase(now);
    if (next === null) break;
    asked.push(next);
    now = { ...now, answers: { ...now.answers, [next]: answerOf(next) } };
  }
  return asked;
}

test('there are causes, symptoms and looks enough, for every family; every sign is shown by something', () => {
  expect(causeIds.length).toBeGreaterThanOrEqual(60);
  expect(symptomIds.length).toBeGreaterThanOrEqual(35);
  expect(questionIds.length).toBeGreaterThanOrEqual(50);
  const shown = new Set(causeIds.flatMap((id) => Object.keys(CAUSES[id].shows)));
  expect(SIGNS.filter((sign) => !shown.has(sign))).toEqual([]);
  for (const subject of SUBJECTS) expect(symptomsOf(subject).length).toBeGreaterThanOrEqual(10);
});

test('what a cause shows can be seen where it can be', () => {
  for (const id of causeIds)
    for (const sign of Object.keys(CAUSES[id].shows) as SignId[]) {
      const of = sign in SYMPTOMS ? SYMPTOMS[sign as SymptomId] : QUESTIONS[sign.split('/')[0] as QuestionId];
      expect([id, sign, SUBJECTS.some((each) => concerns(CAUSES[id], each) && concerns(of, each))]).toEqual([
        id,
        sign,
        true,
      ]);
    }
});

test('every cause can lead in some case', () => {
  for (const id of causeIds) expect([id, judgeCase(plainCase(id)).causes[0]?.id]).toEqual([id, id]);
});

test('every look can be asked in some case; none twice, none the player cannot do, none of another instrument', () => {
  const asked = new Set<QuestionId>();
  for (const subject of SUBJECTS)
    for (const symptom of symptomsOf(subject))
      for (const player of ['child', 'practised'] as const) {
        const first = given({ ...subject, player, symptoms: [symptom] });
        const questions = walk(first, () => FINE);
        expect(new Set(questions).size).toBe(questions.length);
        for (const id of questions) {
          expect(concerns(QUESTIONS[id], subject)).toBe(true);
          expect(SKILLS.indexOf(QUESTIONS[id].skill)).toBeLessThanOrEqual(SKILLS.indexOf(player));
          asked.add(id);
        }
      }
  // Where something is the matter other things are asked.
  for (const id of causeIds) {
    const { answers, ...plain } = plainCase(id);
    for (const question of walk({ ...plain, answers: {} }, (each) => answers[each] ?? FINE)) asked.add(question);
  }
  expect(questionIds.filter((id) => !asked.has(id))).toEqual([]);
});

test('what is likelier by what is on record is likelier, and never certain', () => {
  const ripe = {
    stringWear: 1.5,
    hairWear: 1.5,
    stringDays: 1,
    hairDays: 1,
    rosinMinutes: 500,
    residueDays: 90,
    knockDays: 0,
    wetDays: 0,
    newDays: 1,
    journeyDays: 0,
    tightHours: 99,
    checkupMonths: 99,
    lyingWeeks: 9,
  } as const;
  for (const id of causeIds)
    for (const [wood, drift] of [
      ['dry', 'drying'],
      ['damp', 'wetting'],
    ] as const) {
      const raised = priorOf(id, { ...ripe, wood, drift });
      expect(raised).toBeGreaterThanOrEqual(priorOf(id, {}));
      expect(raised).toBeLessThanOrEqual(0.6);
    }
  for (const condition of Object.keys(CONDITIONS) as Condition[]) {
    expect([condition, causeIds.some((id) => condition in (CAUSES[id].raised ?? {}))]).toEqual([condition, true]);
    expect([condition, CONDITIONS[condition](RIPE[condition])]).toEqual([condition, true]);
    expect(CONDITIONS[condition]({})).toBe(false);
  }
});

test('a danger that was said is named until a look rules it out; the order of answers does not matter', () => {
  const hollow = given({ family: 'violin', symptoms: ['hollow'] });
  expect(judgeCase(hollow)).toMatchObject({
    dangers: expect.arrayContaining(['post-fallen']),
    who: 'workshop',
    when: 'now',
  });
  const stands = { ...hollow, answers: { post: FINE } };
  expect(judgeCase(stands).dangers).not.toContain('post-fallen');
  const order = fc.shuffledSubarray(
    [
      ['post', FINE],
      ['knuckle', 'rattle'],
      ['seams-seen', 'gap'],
      ['bridge-place', FINE],
    ] as const,
    { minLength: 4 },
  );
  const whole = judgeCase({
    ...hollow,
    answers: { post: FINE, knuckle: 'rattle', 'seams-seen': 'gap', 'bridge-place': FINE },
  });
  fc.assert(
    fc.property(order, (answers) => {
      const { causes } = judgeCase({ ...hollow, answers: Object.fromEntries(answers) });
      causes.forEach(({ id, chance }, at) => {
        expect(id).toBe(whole.causes[at]!.id);
        expect(chance).toBeCloseTo(whole.causes[at]!.chance, 8);
      });
    }),
    { numRuns: 24 },
  );
});

test('it shows what speaks for and against, and says when it cannot tell', () => {
  const { causes } = judgeCase(
    given({ family: 'violin', symptoms: ['dull'], facts: { stringWear: 1.2 }, answers: { 'wiped-strings': FINE } }),
  );
  expect(causes[0]).toMatchObject({ id: 'strings-old', for: ['dull'], raisedBy: ['strings-worn', 'strings-spent'] });
  expect(causes.find(({ id }) => id === 'strings-dirty')).toMatchObject({ against: ['wiped-strings/better'] });
  const buzz = judgeCase(given({ family: 'cello', symptoms: ['buzz-many'] }));
  expect(buzz.lead).toBeNull();
  expect(buzz.next).not.toBeNull();
});

test.each([
  ['an instrument nobody knows', { family: 'lute', symptoms: ['dull'] }, /Invalid/],
  ['nothing that is wrong', { family: 'violin', symptoms: [] }, /at least one/],
  ['a symptom nobody knows', { family: 'violin', symptoms: ['sad'] }, /Not a known symptom/],
  ['a symptom of another family', { family: 'harp', kind: 'pedal', symptoms: ['airy'] }, /A harp does not show airy/],
  ['the same twice', { family: 'violin', symptoms: ['dull', 'dull'] }, /each symptom once/],
  ['more than a case', { family: 'violin', symptoms: symptomIds.slice(0, 6) }, /another case/],
  ['a look nobody knows', { family: 'violin', symptoms: ['dull'], answers: { tarot: 'fine' } }, /Not a known look/],
  [
    'a look of another family',
    { family: 'violin', symptoms: ['dull'], answers: { relief: 'none' } },
    /not looked at on a violin/,
  ],
  [
    'an answer that is none',
    { family: 'violin', symptoms: ['dull'], answers: { post: 'maybe' } },
    /Answers: fine, gone, leans/,
  ],
  ['a fact out of range', { family: 'violin', symptoms: ['dull'], facts: { stringWear: -1 } }, /Too small/],
  ['a fact nobody knows', { family: 'violin', symptoms: ['dull'], facts: { moon: 1 } }, /Unrecognized/],
  ['a kind it does not have', { family: 'violin', kind: 'pedal', symptoms: ['dull'] }, /one kind only/],
])('%s is told', (_what, wrong, sentence) => {
  const result = caseSchema.safeParse(wrong);
  expect(result.success).toBe(false);
  expect(result.error!.issues.map(({ message }) => message).join(' ')).toMatch(sentence);
});

test('the page of words names every symptom, look, answer, cause and fact', () => {
  const page = readFileSync(join(__dirname, '../../../docs/triage-cases.md'), 'utf8');
  const answers = questionIds.flatMap((id) => Object.keys(QUESTIONS[id].answers));
  const words = [...symptomIds, ...questionIds, ...answers, ...causeIds, ...Object.keys(factsSchema.shape)];
  expect(words.filter((word) => !page.includes(`\`${word}\``))).toEqual([]);
});
