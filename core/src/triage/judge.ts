import { CAUSES, type CauseId, type HowSoon, type Mender } from './causes';
import { concerns, FINE, SKILLS, type Case } from './case';
import { CHANCES, type Chance } from './chance';
import { CONDITIONS, isRuledOut, type Condition, type Facts } from './facts';
import { beliefIn, MOST_PRESENT, type Belief, type Network, type Seen } from './network';
import { QUESTIONS, SIGNS, SYMPTOMS, type QuestionId, type SignId } from './signs';

/** What nobody knows the cause of: how often a symptom, or an answer, is there without any of the causes. From memory. */
const LEAKS = { symptom: 0.01, answer: 0.02 } as const;
/** A cause is never taken to be likelier than that before anything is seen. */
const MOST_LIKELY = 0.6;
/** From such a chance a cause may be said to be it; below, it is shown to somebody. From memory. */
export const TELLING = 0.35;
/** From such a chance nothing more is asked that would not change it. From memory. */
const CERTAIN = 0.9;
/** From such a chance a danger is named, whatever else is likelier. From memory. */
export const DANGER_FROM = 0.05;
/** A look that tells less than so many bits of who and how soon is not worth asking. */
const LEAST_GAIN = 0.015;

const chanceOf = (chance: Chance | number) => (typeof chance === 'number' ? chance : CHANCES[chance]);
const causeIds = Object.keys(CAUSES) as CauseId[];
const questionIds = Object.keys(QUESTIONS) as QuestionId[];
const signAt = new Map(SIGNS.map((sign, at) => [sign, at]));
const placeOf = (sign: SignId): number => signAt.get(sign)!;

/** Conditions of the facts that make a cause likelier. */
function raising(id: CauseId, facts: Facts): Condition[] {
  return (Object.keys(CAUSES[id].raised ?? {}) as Condition[]).filter((condition) => CONDITIONS[condition](facts));
}

/** What it was before on this instrument it is so many times likelier to be again, and never more than so. From memory. */
const AGAIN = { once: 2, most: 4 } as const;

/**
 * How likely a cause is by what is on record, before anything is seen.
 * @param earlier what earlier troubles of this instrument were: each raises its own cause, within bounds
 */
export function priorOf(id: CauseId, facts: Facts, earlier: readonly CauseId[] = []): number {
  const { prior, raised } = CAUSES[id];
  const times = raising(id, facts).reduce((product, condition) => product * raised![condition]!, 1);
  const before = earlier.filter((each) => each === id).length;
  const again = Math.min(AGAIN.most, AGAIN.once ** before);
  return Math.min(MOST_LIKELY, chanceOf(prior) * times * again);
}

/**
 * The network of what can be wrong with one instrument, of the causes that show something that is there: what shows nothing of it may be
 * so too, as with any instrument, but it is not what is asked about.
 */
function networkFor(given: Case, { present }: Seen): { ids: CauseId[]; network: Network } {
  const there = new Set(present.map((at) => SIGNS[at]!));
  const ids = causeIds.filter(
    (id) => concerns(CAUSES[id], given) && (Object.keys(CAUSES[id].shows) as SignId[]).some((sign) => there.has(sign)),
  );
  const shown = SIGNS.map(() => new Map<number, number>());
  ids.forEach((id, cause) => {
    for (const [sign, chance] of Object.entries(CAUSES[id].shows) as [SignId, Chance][])
      shown[placeOf(sign)]!.set(cause, CHANCES[chance]);
  });
  const leaks = SIGNS.map((sign) => (sign in SYMPTOMS ? LEAKS.symptom : LEAKS.answer));
  return { ids, network: { priors: ids.map((id) => priorOf(id, given.facts, given.earlier)), leaks, shown } };
}

/** Signs of an answer: the one that is there, and those of the same question that are not. */
function signsOf(question: QuestionId, answer: string): Seen {
  const of = (each: string) => placeOf(`${question}/${each}` as SignId);
  const all = Object.keys(QUESTIONS[question].answers);
  return { present: answer === FINE ? [] : [of(answer)], absent: all.filter((each) => each !== answer).map(of) };
}

const together = (one: Seen, other: Seen): Seen => ({
  present: [...one.present, ...other.present],
  absent: [...one.absent, ...other.absent],
});

/** All that was seen in a case; of more signs than can be weighed, the answers that came last are left out. */
function seenIn({ symptoms, answers }: Case): Seen {
  const said: Seen = { present: symptoms.map(placeOf), absent: [] };
  return (Object.entries(answers) as [QuestionId, string][]).reduce((seen, [question, answer]) => {
    const next = together(seen, signsOf(question, answer));
    return next.present.length > MOST_PRESENT ? seen : next;
  }, said);
}

/** One cause in a case, with what speaks for it and against it. */
export interface Suspect {
  id: CauseId;
  chance: number;
  for: SignId[];
  against: SignId[];
  raisedBy: Condition[];
  /** What would make it likelier and is known not to be so. */
  calmedBy: Condition[];
  /** How often it was this before, on this instrument. */
  before: number;
}

export interface Judgement {
  /** Everything that could be it, the likeliest first. */
  causes: Suspect[];
  /** What it is taken to be; null: it cannot be told, and is shown to somebody. */
  lead: CauseId | null;
  who: Mender;
  when: HowSoon;
  /** Dangers that are not ruled out: stop, slacken, do not play. */
  dangers: CauseId[];
  /** What is best looked at next; null: nothing more would tell. */
  next: QuestionId | null;
}

function suspectsOf({
  ids,
  chances,
  given,
  seen,
}: {
  ids: CauseId[];
  chances: readonly number[];
  given: Case;
  seen: Seen;
}): Suspect[] {
  const present = new Set(seen.present.map((at) => SIGNS[at]!));
  const absent = new Set(seen.absent.map((at) => SIGNS[at]!));
  const all = ids.map((id, at) => {
    const shows = Object.entries(CAUSES[id].shows) as [SignId, Chance][];
    return {
      id,
      chance: chances[at]!,
      for: shows.flatMap(([sign]) => (present.has(sign) ? [sign] : [])),
      against: shows.flatMap(([sign, chance]) =>
        absent.has(sign) && CHANCES[chance] >= CHANCES.usually ? [sign] : [],
      ),
      raisedBy: raising(id, given.facts),
      calmedBy: (Object.keys(CAUSES[id].raised ?? {}) as Condition[]).filter((each) => isRuledOut(each, given.facts)),
      before: given.earlier.filter((each) => each === id).length,
    };
  });
  return all.sort((a, b) => b.chance - a.chance);
}

/** Whether a danger is named: it may be so, or what was said is just what it does, and nothing has ruled it out. */
function isNamed({ id, chance, for: speaks, against }: Suspect): boolean {
  const { danger, shows } = CAUSES[id];
  if (!danger) return false;
  if (against.some((sign) => shows[sign] === 'almost-always')) return chance >= 0.5;
  const said = speaks.some((sign) => sign in SYMPTOMS && CHANCES[shows[sign]!] >= CHANCES.usually);
  return said || chance >= DANGER_FROM;
}

/** How undecided something is, bits: the entropy of shares. */
function entropy(shares: readonly number[]): number {
  const all = shares.reduce((sum, share) => sum + share, 0);
  return shares.reduce((sum, share) => (share > 0 ? sum - (share / all) * Math.log2(share / all) : sum), 0);
}

/** How much which cause it is counts beside who sees to it and how soon. From memory. */
const OF_CAUSES = 0.35;

/** How much is open: who and how soon, each cause by its share, none of them for itself; and in part which cause it is. */
function doubtIn(ids: readonly CauseId[], { chances, none }: Belief): number {
  const shares = new Map([['nobody knows', none]]);
  ids.forEach((id, at) => {
    const done = `${CAUSES[id].who} ${CAUSES[id].when}`;
    shares.set(done, (shares.get(done) ?? 0) + chances[at]!);
  });
  return entropy([...shares.values()]) + OF_CAUSES * entropy([...chances, none]);
}

/** The look that tells most for its trouble: of who and how soon first, harmless ones before others, none the player cannot do. */
function nextLook(
  given: Case,
  ids: CauseId[],
  network: Network,
  seen: Seen,
  passed: ReadonlySet<QuestionId>,
): QuestionId | null {
  const before = doubtIn(ids, beliefIn(network, seen));
  const can = SKILLS.indexOf(given.player);
  const worth = questionIds.flatMap((id) => {
    const question = QUESTIONS[id];
    const asked = question.only?.some((symptom) => given.symptoms.includes(symptom)) ?? true;
    if (
      id in given.answers ||
      passed.has(id) ||
      !asked ||
      !concerns(question, given) ||
      SKILLS.indexOf(question.skill) > can
    )
      return [];
    const outcomes = [FINE, ...Object.keys(question.answers)].flatMap((answer) => {
      const next = together(seen, signsOf(id, answer));
      return next.present.length > MOST_PRESENT ? [] : [beliefIn(network, next)];
    });
    const all = outcomes.reduce((sum, { evidence }) => sum + evidence, 0);
    const after = outcomes.reduce((sum, belief) => sum + (belief.evidence / all) * doubtIn(ids, belief), 0);
    return [{ id, gain: before - after, minutes: question.minutes, harm: question.harm }];
  });
  const told = worth.filter(({ gain }) => gain >= LEAST_GAIN);
  const harmless = told.filter(({ harm }) => !harm);
  const best = (harmless.length > 0 ? harmless : told).sort(
    (a, b) => b.gain / (b.minutes + SETTING_ABOUT) - a.gain / (a.minutes + SETTING_ABOUT),
  )[0];
  return best?.id ?? null;
}
/** Minutes that every look costs before it begins. */
const SETTING_ABOUT = 0.5;

/** What a case comes to as it stands: causes by their chances, who sees to it and how soon; dangers before all. */
function conclusionOf(given: Case): Omit<Judgement, 'next'> {
  const seen = seenIn(given);
  const { ids, network } = networkFor(given, seen);
  const causes = suspectsOf({ ids, chances: beliefIn(network, seen).chances, given, seen });
  const dangers = causes.filter(isNamed).map(({ id }) => id);
  const [first] = causes;
  const lead = first && first.chance >= TELLING ? first.id : null;
  if (dangers.length > 0) return { causes, lead, who: 'workshop', when: 'now', dangers };
  if (lead) return { causes, lead, who: CAUSES[lead].who, when: CAUSES[lead].when, dangers };
  return { causes, lead, who: 'teacher', when: 'soon', dangers };
}

/**
 * What is wrong in a case, and what to look at next.
 * @param passed looks that cannot be taken just now: they are not asked
 */
export function judgeCase(given: Case, passed: ReadonlySet<QuestionId> = new Set()): Judgement {
  const seen = seenIn(given);
  const { ids, network } = networkFor(given, seen);
  const conclusion = conclusionOf(given);
  const next = nextLook(given, ids, network, seen, passed);
  return { ...conclusion, next: next !== null && isSettled(given, conclusion, next) ? null : next };
}

/** Whether it is as good as certain, and no answer to what is left to look at would change what it comes to. */
function isSettled(given: Case, { causes: [first], ...now }: Omit<Judgement, 'next'>, next: QuestionId): boolean {
  if (!first || first.chance < CERTAIN) return false;
  const saying = ({ lead, who, when, dangers }: Omit<Outcome, 'answer'>) => [lead, who, when, ...dangers].join(' ');
  return outcomesOf(given, next).every((outcome) => saying(outcome) === saying(now));
}

/** What a judgement comes to once a look is answered in one way. */
export interface Outcome extends Pick<Judgement, 'lead' | 'who' | 'when' | 'dangers'> {
  answer: string;
}

/** What would change a judgement: for each answer to a look, what it would come to. */
export function outcomesOf(given: Case, question: QuestionId): Outcome[] {
  return [FINE, ...Object.keys(QUESTIONS[question].answers)].map((answer) => {
    const { lead, who, when, dangers } = conclusionOf({ ...given, answers: { ...given.answers, [question]: answer } });
    return { answer, lead, who, when, dangers };
  });
}
