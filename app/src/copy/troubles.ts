import { recordOf, type Family } from '@tembrin/core/instruments';
import type { Doer } from '@tembrin/core/log';
import {
  CAUSES,
  FINE,
  QUESTIONS,
  SYMPTOMS,
  type CauseId,
  type Condition,
  type Facts,
  type HowSoon,
  type Judgement,
  type Mender,
  type QuestionId,
  type SignId,
  type Suspect,
  type SymptomId,
} from '@tembrin/core/triage';
import { humidityWords } from './measures';
import { listWords } from './lists';

/** What pages of what is wrong say of causes and signs; only they load it. */

/** What was answered: "Does the bridge stand square? It leans." */
export function answerWords(question: QuestionId, answer: string): string {
  const answers: Readonly<Record<string, string>> = QUESTIONS[question].answers;
  return answer === FINE ? QUESTIONS[question].fine : (answers[answer] ?? answer);
}

/** A sign as it was said or seen. */
export function signWords(sign: SignId): string {
  if (sign in SYMPTOMS) return SYMPTOMS[sign as SymptomId].title;
  const [question, answer] = sign.split('/') as [QuestionId, string];
  return `${QUESTIONS[question].asks} ${answerWords(question, answer)}`;
}

/** What was noticed, in a line. */
export const symptomsWords = (symptoms: readonly string[]): string =>
  listWords(
    symptoms.map((word, at) => {
      const title = word in SYMPTOMS ? SYMPTOMS[word as SymptomId].title : word.replaceAll('-', ' ');
      return at === 0 ? title : title.charAt(0).toLowerCase() + title.slice(1);
    }),
  );

/** Figures of the log that the facts of a case do not hold. */
export interface Played {
  stringHours: number | null;
  hairHours: number | null;
  restRh: number | null;
}

const counted = (count: number | undefined, one: string, many: string) => {
  const whole = Math.round(count ?? 0);
  return whole === 1 ? `1 ${one}` : `${whole} ${many}`;
};
const ago = (days: number | undefined) => (Math.round(days ?? 0) < 1 ? 'today' : `${counted(days, 'day', 'days')} ago`);
const share = (wear: number | undefined) => `${Math.round((wear ?? 0) * 100)} %`;
const hours = (count: number | null) => (count === null ? '' : `${Math.round(count)} h, `);
const rest = (restRh: number | null) => (restRh === null ? '' : ` (at rest at ${humidityWords(restRh)})`);

/** What is on record and makes a cause likelier, with the log's own figures. */
export function raisedWords(condition: Condition, facts: Facts, played: Played): string {
  const words: Readonly<Record<Condition, () => string>> = {
    'strings-new': () => `The strings went on ${ago(facts.stringDays)}.`,
    'strings-just-on': () => `The strings have hardly had time to settle: they went on ${ago(facts.stringDays)}.`,
    'strings-worn': () =>
      `The strings have ${hours(played.stringHours)}${share(facts.stringWear)} of their usual life behind them.`,
    'strings-spent': () => `They are past it: strings of their kind are usually changed by then.`,
    'hair-new': () => `The hair is new: ${counted(facts.hairDays, 'day', 'days')}.`,
    'hair-worn': () => `The hair has ${hours(played.hairHours)}${share(facts.hairWear)} of its usual life behind it.`,
    'rosin-due': () => `${counted(facts.rosinMinutes, 'minute', 'minutes')} were bowed since the last rosin.`,
    'rosin-just': () => 'It was rosined just now.',
    residue: () => `Residue has lain for ${counted(facts.residueDays, 'day', 'days')}.`,
    dry: () => `The wood is too dry${rest(played.restRh)}.`,
    damp: () => `The wood is too damp${rest(played.restRh)}.`,
    drying: () => 'The wood has been drying over the last week.',
    wetting: () => 'The wood has been taking up moisture over the last week.',
    journey: () => `It came home from a journey ${ago(facts.journeyDays)}.`,
    knock: () => `It fell or was knocked ${ago(facts.knockDays)}.`,
    wet: () => `It got wet ${ago(facts.wetDays)}.`,
    'new-here': () => `It is new here: ${counted(facts.newDays, 'day', 'days')}.`,
    'left-tight': () => `The bow stood tight for ${counted(facts.tightHours, 'hour', 'hours')}.`,
    'checkup-late': () => `The last checkup is ${counted(facts.checkupMonths, 'month', 'months')} back.`,
    lay: () => `It lay for ${counted(facts.lyingWeeks, 'week', 'weeks')}.`,
  };
  return words[condition]();
}

/** What is on record and speaks against a cause; null where saying it would tell nobody anything. */
export function calmedWords(condition: Condition, facts: Facts, played: Played): string | null {
  switch (condition) {
    case 'strings-worn':
      return `The strings have ${hours(played.stringHours)}${share(facts.stringWear)} of their usual life behind them: usual at this age.`;
    case 'hair-worn':
      return `The hair has ${hours(played.hairHours)}${share(facts.hairWear)} of its usual life behind it.`;
    case 'rosin-due':
      return `Only ${counted(facts.rosinMinutes, 'minute', 'minutes')} were bowed since the last rosin.`;
    case 'dry':
    case 'damp':
      return `The wood is within its band${rest(played.restRh)}.`;
    case 'checkup-late':
      return `The last checkup is ${counted(facts.checkupMonths, 'month', 'months')} back.`;
    default:
      return null;
  }
}

/** What speaks for a cause, and what against it, in sentences. */
export function speaks(suspect: Suspect, facts: Facts, played: Played): { for: string[]; against: string[] } {
  const { raisedBy, calmedBy, before } = suspect;
  const raised = raisedBy.map((each) => raisedWords(each, facts, played));
  const again = before > 0 ? [`It was this before, ${before === 1 ? 'once' : `${before} times`}.`] : [];
  const calmed = calmedBy.flatMap((each) => calmedWords(each, facts, played) ?? []);
  return {
    for: [
      ...suspect.for.map((sign) => `${signWords(sign)}.`.replace('?.', '?').replace('..', '.')),
      ...raised,
      ...again,
    ],
    against: [...suspect.against.map((sign) => `Not seen: ${signWords(sign)}.`.replace('..', '.')), ...new Set(calmed)],
  };
}

/** How likely, in a word. */
export function chanceWords(chance: number): string {
  if (chance >= 0.75) return 'very likely';
  if (chance >= 0.5) return 'likely';
  if (chance >= 0.2) return 'possible';
  return chance >= 0.05 ? 'unlikely' : 'hardly';
}

/** Who repairs what is not done at home. */
export const menderOf = (family: Family): string =>
  recordOf(family).strings.bears === 'bridge-and-post' ? 'A luthier' : 'A technician';
const WHO: Readonly<Record<Mender, (family: Family) => string>> = {
  self: () => 'Yourself',
  teacher: () => 'A teacher',
  workshop: menderOf,
};
const WHEN: Readonly<Record<HowSoon, string>> = {
  now: 'now; it is not played until then',
  soon: 'soon',
  visit: 'with the next visit',
};

/** Who sees to it and how soon: "A luthier, with the next visit." */
export const whoWords = ({ who, when }: Pick<Judgement, 'who' | 'when'>, family: Family): string =>
  `${WHO[who](family)}, ${who === 'self' && when === 'visit' ? 'when it suits' : WHEN[when]}.`;

/** Who found out what it was. */
export const FINDERS: Readonly<Record<Doer, string>> = {
  self: 'I did',
  teacher: 'A teacher',
  workshop: 'The workshop',
};

export const causeTitle = (id: CauseId): string => CAUSES[id].title;
