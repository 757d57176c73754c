import type { Assessment } from '../assess';
import type { Trouble } from '../log';
import { DAY_MS } from '../time';
import { concerns, FINE, MOST_EARLIER, type Case } from './case';
import { CAUSES, type CauseId } from './causes';
import { answersOnRecord, factsOnRecord } from './on-record';
import { QUESTIONS, SYMPTOMS, type QuestionId, type SymptomId } from './signs';

/** What was answered so long ago may be otherwise by now. From memory. */
export const STALE_DAYS = 30;

/** A trouble as a case that can be judged, and what of it no longer fits. */
export interface CaseOnRecord {
  /** null where nothing of what was noticed fits this instrument any more. */
  given: Case | null;
  /** Answers the player gave, the latest to each look, in their order; and those taken from the look-over. */
  answered: { eventId: string; question: QuestionId; answer: string; at: number }[];
  looked: Partial<Record<QuestionId, string>>;
  /** Words that no longer fit: the instrument was changed since, or what is known was. */
  misfits: string[];
  /** Nothing was added for so long that it is asked whether it is still so. */
  stale: boolean;
}

const isSymptom = (word: string): word is SymptomId => Object.hasOwn(SYMPTOMS, word);
const isQuestion = (word: string): word is QuestionId => Object.hasOwn(QUESTIONS, word);
const isCause = (word: string): word is CauseId => Object.hasOwn(CAUSES, word);

/** What earlier troubles of this instrument turned out to be, the last ones. */
function earlierOf({ troubles }: Pick<Assessment['log'], 'troubles'>, of: Trouble): CauseId[] {
  return troubles
    .flatMap(({ eventId, settled }) =>
      eventId !== of.eventId && settled?.cause && isCause(settled.cause) ? [settled.cause] : [],
    )
    .slice(-MOST_EARLIER);
}

/** A trouble on record, with what else is on record of its instrument, as a case. */
export function caseOnRecord(assessment: Assessment, trouble: Trouble): CaseOnRecord {
  const { facts, log } = assessment;
  const fits = (thing: { families: readonly string[] }) => concerns(thing as never, facts);
  const symptoms = trouble.symptoms.filter((word): word is SymptomId => isSymptom(word) && fits(SYMPTOMS[word]));
  const latest = new Map(trouble.answers.map((answer) => [answer.question, answer]));
  const answered = [...latest.values()].flatMap(({ eventId, question, answer, at }) => {
    if (!isQuestion(question) || !fits(QUESTIONS[question])) return [];
    return answer === FINE || Object.hasOwn(QUESTIONS[question].answers, answer)
      ? [{ eventId, question, answer, at }]
      : [];
  });
  const fitting = new Set<string>([...symptoms, ...answered.map(({ question }) => question)]);
  const misfits = [...trouble.symptoms, ...latest.keys()].filter((word) => !fitting.has(word));
  // What was looked at since the trouble began, or of late before; what was answered here goes before it.
  const said = new Set<string>(answered.map(({ question }) => question));
  const looked = Object.fromEntries(
    Object.entries(answersOnRecord(assessment)).filter(
      ([question]) => !said.has(question) && fits(QUESTIONS[question as QuestionId]),
    ),
  );
  const last = Math.max(trouble.at, ...trouble.answers.map(({ at }) => at));
  return {
    given:
      symptoms.length === 0
        ? null
        : {
            family: facts.family,
            kind: facts.kind,
            player: trouble.by,
            facts: factsOnRecord(assessment),
            earlier: earlierOf(log, trouble),
            symptoms,
            answers: { ...looked, ...Object.fromEntries(answered.map(({ question, answer }) => [question, answer])) },
          },
    answered,
    looked,
    misfits,
    stale: trouble.settled === null && log.nowMs - last > STALE_DAYS * DAY_MS,
  };
}

/** Troubles that are not over, the last first. */
export const openTroubles = ({ troubles }: Pick<Assessment['log'], 'troubles'>): Trouble[] =>
  troubles.filter(({ settled }) => settled === null).reverse();
