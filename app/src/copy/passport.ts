import type { Card, Instrument } from '@tembrin/contract';
import { FIGURE_DATA, stringNames, VIEW_DATA } from '@tembrin/core/instruments';
import type { Fitting, Trouble } from '@tembrin/core/log';
import { PASSPORT_BOUNDS, type Passport, type PassportDocument } from '@tembrin/core/passport';
import { dateWords, fullDateWords, hoursWords } from './dates';
import { findingWords, SETTLED_WORDS } from './findings';
import { listWords, type Moment } from './lists';
import { humidityWords, measureWords, type LengthUnit } from './measures';
import { kindWords, REASON_NAMES } from './names';
import { moneyWords } from './numbers';
import { causeTitle, symptomsWords } from './troubles';
import type { CauseId } from '@tembrin/core/triage';
import { CAUSES } from '@tembrin/core/triage';

/** What a passport says: the whole life of one instrument, in rows of what and when. */

export type PassportRow = readonly [what: string, words: string];
export interface PassportSection {
  title: string;
  rows: PassportRow[];
}

interface Said extends Moment {
  instrument: Instrument;
  lengths: LengthUnit;
  identity: Card<'identity'>['facts'] | null;
  /** Whether its value and its insurer are told too. */
  value: boolean;
}

/** Readings of one figure that are told. */
const READINGS_TOLD = 12;

function identityRows({ instrument, identity, value, lengths, timeZone }: Said): PassportRow[] {
  const date = fullDateWords(timeZone);
  const said: (PassportRow | null)[] = [
    ['Instrument', kindWords(instrument, lengths)],
    identity && ['Label', identity.label],
    identity && ['Made', identity.made],
    identity && ['Number', identity.serial],
    identity && ['Known again by', identity.marks],
    identity && ['Where it came from', identity.came],
    instrument.since === null ? null : ['In these hands since', date(Date.parse(instrument.since))],
    ['On record since', date(Date.parse(instrument.addedAt))],
    identity?.value && value
      ? [
          'Value',
          `${moneyWords(identity.value)}${identity.value.on === null ? '' : `, as of ${date(Date.parse(identity.value.on))}`}`,
        ]
      : null,
    identity && value
      ? ['Insured with', [identity.insurer, identity.policy].filter((each) => each !== '').join(', ')]
      : null,
  ];
  return said.filter((row): row is PassportRow => row !== null && row[1] !== '');
}

function fittingWords({ strings, reason, known }: Fitting, instrument: Instrument): string {
  const names = stringNames(instrument);
  const what = strings
    ? `New ${listWords(strings.map((at) => names[at] ?? String(at + 1)))} string${strings.length === 1 ? '' : 's'}`
    : 'New set';
  const why = reason === 'on-record' ? '' : `: ${REASON_NAMES[reason].toLowerCase()}`;
  return `${what}${why}${known ? '' : ', or earlier'}`;
}

function troubleWords({ symptoms, settled }: Trouble): string {
  if (!settled) return `${symptomsWords(symptoms)}. Open.`;
  const cause = settled.cause !== null && settled.cause in CAUSES ? causeTitle(settled.cause as CauseId) : null;
  return [`${symptomsWords(symptoms)}.`, cause === null ? 'Settled.' : `It was: ${cause}.`, settled.note]
    .filter(Boolean)
    .join(' ');
}

/** A sentence with one full stop at its end. */
const ended = (words: string) => (words.endsWith('.') ? words : `${words}.`);

/** Everything that was done at workshops, the newest first; what is told by the work itself is not told twice. */
function workshopRows({ checkups, stays, works, rehairs }: Passport, { timeZone }: Said): PassportRow[] {
  const date = fullDateWords(timeZone);
  const toldBy =
    (part: string) =>
    ({ at }: { at: number }) =>
      !works.some((work) => work.part === part && date(work.at) === date(at));
  const all = [
    ...checkups
      .filter(toldBy('checkup'))
      .map(({ at, known }) => ({ at, words: `Checkup${known ? '' : ', or earlier'}` })),
    ...rehairs
      .filter(toldBy('hair'))
      .map(({ at, known }) => ({ at, words: `Bow rehaired${known ? '' : ', or earlier'}` })),
    ...stays.map(({ at, backAt }) => ({
      at,
      words: backAt === null ? 'At the workshop' : `At the workshop until ${date(backAt)}`,
    })),
    ...works.map(({ at, words, cost }) => ({
      at,
      words: `${words || 'Work'}${cost === null ? '' : `: ${moneyWords(cost)}`}`,
    })),
  ];
  return all.sort((a, b) => b.at - a.at).map(({ at, words }): PassportRow => [date(at), words]);
}

const monthWords = (month: string) =>
  new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    Date.parse(`${month}-15T12:00:00Z`),
  );

/** The sections of a passport; only those of which there is something to tell. What it is told by comes first. */
export function passportSections(passport: Passport, said: Said): PassportSection[] {
  const { instrument, lengths, timeZone } = said;
  const date = fullDateWords(timeZone);
  const { played, hours, sessions } = passport;
  const all: PassportSection[] = [
    { title: 'What it is told by', rows: identityRows(said) },
    {
      title: 'Played',
      rows: played
        ? [
            [hoursWords(hours), `in ${sessions} ${sessions === 1 ? 'session' : 'sessions'}`],
            ['First and last', `${date(played.first)} to ${date(played.last)}`],
          ]
        : [],
    },
    {
      title: 'Set-up over time',
      rows: passport.figures.map(({ figure, marks }): PassportRow => {
        const told = marks
          .slice(0, READINGS_TOLD)
          .map(({ value, at }) => `${measureWords(figure, value, lengths)} (${date(at)})`);
        const more = marks.length - told.length;
        return [FIGURE_DATA[figure].title, `${told.join('; ')}${more > 0 ? `; and ${more} before` : ''}`];
      }),
    },
    {
      title: 'Strings',
      rows: passport.strings.map((fitting) => [date(fitting.at), fittingWords(fitting, instrument)]),
    },
    { title: 'Workshop', rows: workshopRows(passport, said) },
    {
      title: 'What was found',
      rows: passport.findings.map(({ finding, settled }) => [
        date(finding.at),
        `${ended(findingWords(finding, instrument))}${settled ? ` ${SETTLED_WORDS[settled.how]}, ${date(settled.at)}.` : ''}`,
      ]),
    },
    { title: 'What was wrong', rows: passport.troubles.map((trouble) => [date(trouble.at), troubleWords(trouble)]) },
    { title: 'Falls and knocks', rows: passport.knocks.map(({ at }) => [date(at), 'Fell or was knocked']) },
    {
      title: 'Its air',
      rows: passport.air.map(({ month, meanRh, lowRh, highRh }) => [
        monthWords(month),
        `${humidityWords(meanRh)} on average, mostly ${humidityWords(lowRh)} to ${humidityWords(highRh)}`,
      ]),
    },
  ];
  return all.filter(({ rows }) => rows.length > 0);
}

const cut = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** A passport within what is printed; what is left out is said. */
export function passportDocument(
  passport: Passport,
  sections: readonly PassportSection[],
  said: Said,
): PassportDocument {
  const { instrument, nowMs, timeZone } = said;
  const each = Math.floor(PASSPORT_BOUNDS.rows / Math.max(1, sections.length));
  const on = (at: number) => dateWords(at, nowMs, timeZone);
  const views = passport.views.flatMap(({ view, seen }) =>
    seen ? [{ photo: seen.photo, words: `${VIEW_DATA[view].title}, ${on(seen.at)}` }] : [],
  );
  const room = PASSPORT_BOUNDS.photos - views.length;
  return {
    title: cut(instrument.name, PASSPORT_BOUNDS.words),
    about: cut(kindWords(instrument, said.lengths), PASSPORT_BOUNDS.cell),
    sections: sections.map(({ title, rows }) => {
      const shown = rows
        .slice(0, each - 1)
        .map(([what, words]): [string, string] => [cut(what, PASSPORT_BOUNDS.words), cut(words, PASSPORT_BOUNDS.cell)]);
      const left = rows.length - shown.length;
      return { title, rows: left > 0 ? [...shown, ['', `And ${left} more on record.`]] : shown };
    }),
    views,
    photos: passport.photos.slice(0, room).map(({ photo, at }) => ({ photo, words: on(at) })),
  };
}
