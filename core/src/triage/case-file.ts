import * as z from 'zod';
import { FAMILIES, KINDS, kindsOf } from '../instruments';
import { concerns, FINE, MOST_EARLIER, SKILLS } from './case';
import { CAUSES, type CauseId } from './causes';
import { DRIFTS, MOST_FACTS, WOODS, type Counted } from './facts';
import { QUESTIONS, SYMPTOMS, type QuestionId, type SymptomId } from './signs';

const symptomIds = Object.keys(SYMPTOMS) as [SymptomId, ...SymptomId[]];
const questionIds = Object.keys(QUESTIONS) as QuestionId[];
const causeIds = Object.keys(CAUSES) as [CauseId, ...CauseId[]];
/** Most symptoms of one case: more is more than one case. */
const MOST_SYMPTOMS = 5;

/** Checks facts that come from outside. */
export const factsSchema = z.strictObject({
  ...(Object.fromEntries(
    Object.entries(MOST_FACTS).map(([name, most]) => [name, z.number().min(0).max(most).optional()]),
  ) as Record<Counted, z.ZodOptional<z.ZodNumber>>),
  wood: z.enum(WOODS).optional(),
  drift: z.enum(DRIFTS).optional(),
});

/** Checks a case that comes from outside: of what instrument, whose, what is on record of it, what was said and what was answered. */
export const caseSchema = z
  .strictObject({
    family: z.enum(FAMILIES),
    kind: z.enum(KINDS).nullable().default(null),
    player: z.enum(SKILLS).default('player'),
    facts: factsSchema.default({}),
    /** What earlier troubles of this instrument turned out to be. */
    earlier: z
      .array(z.enum(causeIds, { error: `Not a known cause. Known: ${causeIds.join(', ')}.` }))
      .max(MOST_EARLIER, `At most ${MOST_EARLIER}: the last ones.`)
      .default([]),
    symptoms: z
      .array(z.enum(symptomIds, { error: `Not a known symptom. Known: ${symptomIds.join(', ')}.` }))
      .min(1, 'Say at least one thing that is wrong.')
      .max(MOST_SYMPTOMS, `At most ${MOST_SYMPTOMS} symptoms: more is another case.`),
    answers: z.record(z.string(), z.string()).default({}),
  })
  .superRefine((given, context) => {
    const wrong = (path: string[], message: string) => context.addIssue({ code: 'custom', path, message });
    const kinds = kindsOf(given.family);
    if (given.kind !== null && !kinds.includes(given.kind))
      wrong(
        ['kind'],
        kinds.length > 0
          ? `A ${given.family} is one of: ${kinds.join(', ')}.`
          : `A ${given.family} has one kind only: leave it out.`,
      );
    given.symptoms.forEach((id, at) => {
      if (!concerns(SYMPTOMS[id], given)) wrong(['symptoms', String(at)], `A ${given.family} does not show ${id}.`);
    });
    if (new Set(given.symptoms).size < given.symptoms.length) wrong(['symptoms'], 'Say each symptom once.');
    for (const [id, answer] of Object.entries(given.answers)) {
      const question = questionIds.find((each) => each === id);
      if (!question) wrong(['answers', id], 'Not a known look.');
      else if (!concerns(QUESTIONS[question], given))
        wrong(['answers', id], `It is not looked at on a ${given.family}.`);
      else if (answer !== FINE && !(answer in QUESTIONS[question].answers))
        wrong(['answers', id], `Answers: ${[FINE, ...Object.keys(QUESTIONS[question].answers)].join(', ')}.`);
    }
  });
