import {
  CAUSES,
  caseSchema,
  FINE,
  judgeCase,
  QUESTIONS,
  type Case,
  type CauseId,
  type Chance,
  CHANCES,
  type QuestionId,
  type SignId,
  type SymptomId,
} from '.';

/**
 * The rows of the handbook’s table of symptoms [handbook 11], each walked as a player would: what is noticed is said, each look that
 * is asked for is answered as it is on an instrument that has just this, until nothing more is asked.
 */
type Row = readonly [symptom: SymptomId, cause: CauseId, given?: Partial<Case>];
const GUITAR = { family: 'guitar', kind: 'steel' } as const;
const HARP = { family: 'harp', kind: 'lever' } as const;
const CELLO = { family: 'cello' } as const;
const ROWS: readonly Row[] = [
  ['no-sound', 'hair-unrosined', { facts: { hairDays: 1 } }],
  ['airy', 'rosin-little', { facts: { rosinMinutes: 200 } }],
  ['airy', 'hair-greasy'],
  ['gritty', 'rosin-much'],
  ['dull', 'strings-old', { facts: { stringWear: 1.3, stringDays: 500 } }],
  ['hollow', 'post-fallen', { facts: { knockDays: 0 } }],
  ['buzz-many', 'seam-open', { facts: { wood: 'dry', drift: 'drying' } }],
  ['buzz-many', 'chin-rest-loose'],
  ['buzz-one', 'fine-tuner-loose'],
  ['pegs-slip', 'peg-dry-wood', { facts: { wood: 'dry' } }],
  ['pegs-slip', 'peg-winding', { facts: { stringDays: 3 } }],
  ['pegs-stuck', 'peg-damp-wood', { facts: { wood: 'damp' } }],
  ['flat-always', 'strings-settling', { facts: { stringDays: 2 } }],
  ['breaks-same', 'groove-sharp'],
  ['bridge-off', 'bridge-leans'],
  ['crack', 'crack-top', { facts: { knockDays: 1 } }],
  ['wet', 'got-wet', { facts: { wetDays: 0 } }],
  ['will-not-tighten', 'screw-worn'],
  ['tight-at-rest', 'hair-shrunk', { facts: { wood: 'dry' } }],
  ['stick-off', 'stick-warped', { facts: { tightHours: 60 } }],
  ['hair-black', 'hair-greasy'],
  ['after-lying', 'relief-gone', { ...GUITAR, facts: { lyingWeeks: 8 } }],
  ['fret-ends', 'fret-ends-out', { ...GUITAR, facts: { wood: 'dry' } }],
  ['top-shape', 'top-swollen', { ...GUITAR, facts: { wood: 'damp' } }],
  ['seized', 'saddle-seized', { family: 'guitar', kind: 'electric' }],
  ['action-buzz', 'action-dusty', HARP],
  ['sharpened-out', 'regulation-off', { ...HARP, facts: { checkupMonths: 30 } }],
  ['case-marks', 'case-things', { facts: { journeyDays: 1 } }],
  ['hurts', 'rest-turned'],
  ['wolf', 'wolf', CELLO],
];

/** The answer to a look where an instrument has a cause and nothing else: what that cause usually shows, else as it should be. */
function answerOf(cause: CauseId, question: QuestionId): string {
  const shows = CAUSES[cause].shows as Partial<Record<SignId, Chance>>;
  const seen = Object.keys(QUESTIONS[question].answers).find((answer) => {
    const chance = shows[`${question}/${answer}` as SignId];
    return chance !== undefined && CHANCES[chance] >= CHANCES.usually;
  });
  return seen ?? FINE;
}

/** Answers what is asked until nothing more is. @returns the case at its end, and what was asked */
function walked([symptom, cause, more]: Row): { given: Case; asked: QuestionId[] } {
  let given = caseSchema.parse({ family: 'violin', player: 'practised', symptoms: [symptom], ...more });
  const asked: QuestionId[] = [];
  for (let next = judgeCase(given).next; next !== null && asked.length < 30; next = judgeCase(given).next) {
    asked.push(next);
    given = { ...given, answers: { ...given.answers, [next]: answerOf(cause, next) } };
  }
  return { given, asked };
}

test.each(ROWS.map((row) => [row[0], row[1], row] as const))(
  '%s comes to %s, with who and how soon',
  (_, cause, row) => {
    const { given, asked } = walked(row);
    const { lead, who, when, dangers, next } = judgeCase(given);
    expect({ lead, asked: asked.length }).toEqual({ lead: cause, asked: expect.any(Number) });
    expect(next).toBeNull();
    expect(asked.length).toBeLessThanOrEqual(20);
    expect(new Set(asked).size).toBe(asked.length);
    if (CAUSES[cause].danger) expect([who, when, dangers.includes(cause)]).toEqual(['workshop', 'now', true]);
    else if (dangers.length === 0) expect([who, when]).toEqual([CAUSES[cause].who, CAUSES[cause].when]);
    // A danger that nothing has ruled out goes before what it is taken to be.
    else expect([who, when]).toEqual(['workshop', 'now']);
  },
);

test('the right one leads before all has been asked, and half of them within four looks', () => {
  const led = ROWS.map((row) => {
    const { asked } = walked(row);
    let given = caseSchema.parse({ family: 'violin', player: 'practised', symptoms: [row[0]], ...row[2] });
    for (const [looks, question] of asked.entries()) {
      if (judgeCase(given).lead === row[1]) return looks;
      given = { ...given, answers: { ...given.answers, [question]: answerOf(row[1], question) } };
    }
    return asked.length;
  });
  expect(led.filter((looks) => looks <= 4).length).toBeGreaterThanOrEqual(ROWS.length / 2);
  expect(Math.max(...led)).toBeLessThanOrEqual(12);
});
