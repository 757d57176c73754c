import type { Instrument } from '@tembrin/contract';
import {
  BRIEF_BOUNDS,
  type Asked,
  type Brief,
  type BriefDocument,
  type Change,
  type FigureLine,
} from '@tembrin/core/brief';
import { JOB_TITLES } from '@tembrin/core/guided';
import { FIGURE_DATA, isBowed, stringNames, type Family } from '@tembrin/core/instruments';
import { dueOf, type DatedPart } from '@tembrin/core/parts';
import { DAY_MS } from '@tembrin/core/time';
import { judgeCase, QUESTIONS, type CaseOnRecord } from '@tembrin/core/triage';
import { dateWords } from './dates';
import { findingWords } from './findings';
import { listWords, type Moment } from './lists';
import { humidityWords, measureWords, type LengthUnit } from './measures';
import { FAMILY_NAMES, kindWords } from './names';
import { answerWords, causeTitle, symptomsWords } from './troubles';

/** What a brief says, composed from the log; the keeper’s own words come after. */

/** Causes that are worth naming to a workshop. */
const NAMED = { from: 0.1, most: 3 } as const;

interface Said extends Moment {
  instrument: Instrument;
  lengths: LengthUnit;
  /** Each trouble of the brief as a case, in its order. */
  cases: readonly CaseOnRecord[];
}

type Section = BriefDocument['sections'][number];

const whenOf =
  ({ nowMs, timeZone }: Moment) =>
  (at: number) =>
    dateWords(at, nowMs, timeZone);

/** What is noticed, what was seen of it, and what it could be. */
function noticed({ troubles }: Brief, { cases, ...moment }: Said): string[] {
  const on = whenOf(moment);
  return troubles.flatMap((trouble, at) => {
    const { given, answered = [] } = cases[at] ?? {};
    const likely = given
      ? judgeCase(given)
          .causes.filter(({ chance }) => chance >= NAMED.from)
          .slice(0, NAMED.most)
      : [];
    return [
      `${symptomsWords(trouble.symptoms)}, since ${on(trouble.at)}.`,
      ...answered.map(({ question, answer }) => `${QUESTIONS[question].asks} ${answerWords(question, answer)}.`),
      ...(likely.length > 0
        ? [
            `It could be: ${likely.map(({ id, chance }) => `${causeTitle(id).toLowerCase()} (${Math.round(chance * 100)} %)`).join(', ')}.`,
          ]
        : []),
    ];
  });
}

function changeWords(change: Change, { instrument, ...moment }: Said): string {
  const on = whenOf(moment);
  const names = stringNames(instrument);
  switch (change.what) {
    case 'strings': {
      const which = change.positions
        ? `${listWords(change.positions.map((at) => names[at]!))} string`
        : 'set of strings';
      return `New ${which}, ${on(change.at)}.`;
    }
    case 'hair':
      return `Rehaired, ${on(change.at)}.`;
    case 'bow':
      return `Another bow taken, ${on(change.at)}.`;
    case 'journey':
      return `Away from ${on(change.at)}${change.homeAt === null ? '' : ` to ${on(change.homeAt)}`}.`;
    case 'fall':
      return `Fell or was knocked, ${on(change.at)}.`;
    case 'wet':
      return `Got wet, ${on(change.at)}.`;
  }
}

function figureWords({ figure, first, last }: FigureLine, { lengths, ...moment }: Said): string {
  const words = (value: number) => measureWords(figure, value, lengths);
  const on = whenOf(moment);
  const { title } = FIGURE_DATA[figure];
  if (!last) return `${title}: ${words(first.value)} (${on(first.at)}).`;
  const before = last.value === first.value ? `as on ${on(first.at)}` : `${words(first.value)} on ${on(first.at)}`;
  return `${title}: ${words(last.value)} (${on(last.at)}; ${before}).`;
}

function airWords(air: NonNullable<Brief['air']>): string {
  const side = air.side === null ? 'within its band' : air.side === 'dry' ? 'too dry' : 'too damp';
  const week = air.weekRh === null ? '' : ` The air of the last week: ${humidityWords(air.weekRh)}.`;
  return `Its wood is at rest at ${humidityWords(air.restRh)}: ${side}.${week}`;
}

/** The instrument in one line. */
function aboutWords({ instrument, lengths, ...moment }: Said): string {
  const { since, stringing, family } = instrument;
  const kind = kindWords(instrument, lengths);
  const what =
    kind.startsWith(FAMILY_NAMES[family]) || kind.includes(FAMILY_NAMES[family].toLowerCase())
      ? kind
      : `${FAMILY_NAMES[family]}, ${kind}`;
  const here = since === null ? '' : `, here since ${dateWords(Date.parse(since), moment.nowMs, moment.timeZone)}`;
  return `${what}, tuned to A = ${stringing.a4Hz} Hz${here}.`;
}

/** A section within what a brief takes; what is left out is said. */
function fitting({ title, lines }: Section): Section {
  const short = lines.map((line) =>
    line.length > BRIEF_BOUNDS.line ? `${line.slice(0, BRIEF_BOUNDS.line - 1)}…` : line,
  );
  if (short.length <= BRIEF_BOUNDS.lines) return { title, lines: short };
  const kept = short.slice(0, BRIEF_BOUNDS.lines - 1);
  return { title, lines: [...kept, `And ${short.length - kept.length} more on record.`] };
}

const ask = (words: string) => (words.length > BRIEF_BOUNDS.ask ? `${words.slice(0, BRIEF_BOUNDS.ask - 1)}…` : words);

/** What the workshop is asked to do: what is noticed, what was found, what comes due. */
function askedOf(brief: Brief, { instrument }: Said): Asked[] {
  const all: Asked[] = [
    ...brief.troubles.map(({ eventId, symptoms }): Asked => ({
      about: 'trouble',
      troubleId: eventId,
      words: ask(symptomsWords(symptoms)),
    })),
    ...brief.found.map((finding): Asked => ({
      about: 'finding',
      findingId: finding.eventId,
      words: ask(findingWords(finding, instrument)),
    })),
    ...brief.due.map(({ part, bowId }): Asked => ({ about: 'part', part, bowId, words: dueOf(part).title })),
  ];
  return all.slice(0, BRIEF_BOUNDS.asks);
}

/** What may be asked for besides what is due: what a workshop does to any instrument of the family. */
export function usualAsks(family: Family): Asked[] {
  const parts: DatedPart[] = isBowed(family) ? ['checkup', 'strings', 'hair'] : ['checkup', 'strings'];
  return parts.map((part) => ({ about: 'part', part, bowId: null, words: dueOf(part).title }));
}

/** A brief as a document, to be edited: only what there is something to say of. */
export function composed(brief: Brief, said: Said): Omit<BriefDocument, 'instrumentId'> & { asked: Asked[] } {
  const on = whenOf(said);
  const found = (list: Brief['found']) =>
    list.map((finding) => `${findingWords(finding, said.instrument)} (${on(finding.at)}).`);
  const all: Section[] = [
    { title: 'What is noticed', lines: noticed(brief, said) },
    { title: 'What was found', lines: found(brief.found) },
    { title: 'What was changed lately', lines: brief.changes.map((change) => changeWords(change, said)) },
    {
      title: 'What was tried',
      lines: brief.tried.map(({ job, at, note }) => `${JOB_TITLES[job]}, ${on(at)}${note === '' ? '' : `: ${note}`}.`),
    },
    { title: 'Figures', lines: brief.figures.map((line) => figureWords(line, said)) },
    { title: 'The air', lines: brief.air ? [airWords(brief.air)] : [] },
    {
      title: 'Due anyway, in the same visit',
      lines: brief.due.map(({ part, day }) => `${dueOf(part).title}, planned for ${on(day * DAY_MS)}.`),
    },
    { title: 'For you to know', lines: found(brief.besides) },
  ];
  const [first] = brief.troubles;
  return {
    title: first
      ? symptomsWords(first.symptoms).slice(0, BRIEF_BOUNDS.title)
      : brief.due[0]
        ? dueOf(brief.due[0].part).title
        : 'A visit',
    about: aboutWords(said),
    sections: all.filter(({ lines }) => lines.length > 0).map(fitting),
    wishes: '',
    asked: askedOf(brief, said),
    photos: brief.photos.map(({ photo }) => photo).filter((photo, at, list) => list.indexOf(photo) === at),
  };
}
