import type { Card, Instrument } from '@tembrin/contract';
import { missingOf, type Holder, type Loan, type LoanDifferences, type StringPayer } from '@tembrin/core/lending';
import { FIGURE_DATA, isBowed, VIEW_DATA, type Family } from '@tembrin/core/instruments';
import { PASSPORT_BOUNDS, type PassportDocument } from '@tembrin/core/passport';
import { fullDateWords } from '../../dates';
import { findingWords } from '../../findings';
import { listWords } from '../../lists';
import { measureWords, type LengthUnit } from '../../measures';
import { kindWords } from '../../names';

/** What usually goes along with an instrument, in the order in which it is packed. */
export const usualAlong = (family: Family): string[] =>
  isBowed(family)
    ? [
        'Bow',
        'Case',
        'Rosin',
        ...(family === 'violin' || family === 'viola' ? ['Shoulder rest'] : ['Endpin stop']),
        'Spare strings',
      ]
    : family === 'harp'
      ? ['Cover', 'Tuning key', 'Spare strings']
      : ['Case', 'Strap', 'Spare strings'];

export const PAYERS: Readonly<Record<StringPayer, string>> = { lender: 'We do', borrower: 'They do' };

const day = (date: string) => fullDateWords('UTC')(Date.parse(date));

/** Where an instrument is, in a few words. */
export function holderWords(holder: Holder): string {
  if (holder.at === 'in') return 'Here';
  if (holder.at === 'workshop') return 'At the workshop';
  if (holder.at === 'played') return `With ${holder.to}`;
  const { to, until, overdueDays } = holder;
  if (overdueDays > 0) return `Lent to ${to}, ${overdueDays} ${overdueDays === 1 ? 'day' : 'days'} over`;
  return `Lent to ${to}${until === null ? '' : ` until ${day(until)}`}`;
}

/** What the page of a loan says. */
export const copy = {
  title: (name: string) => `Lending ${name}`,
  to: 'To whom',
  outside: 'Somebody else',
  toName: 'Their name',
  reached: 'Where they are reached',
  reachedHint: 'A number or an address. May be left empty.',
  from: 'Goes out on',
  until: 'To be back on',
  untilHint: 'Left empty, it is out until it is asked for.',
  along: 'Goes along',
  more: 'Also goes along',
  moreHint: 'Separated by commas.',
  strings: 'Who pays for strings?',
  note: 'What was agreed besides',
  lendTitle: 'Lending it out',
  stateText: (looked: string | null, views: number, of: number) =>
    `${looked === null ? 'It was never looked over.' : `Looked over ${looked}.`} ${views} of ${of} views photographed. What is on record when it goes is what it is compared with when it comes back.`,
  stateBack: 'How it comes back',
  lookOver: 'Look it over',
  lookOverText: 'Each thing in turn, by yourself or with its player.',
  views: 'Photograph it',
  viewsText: 'One view after another.',
  lend: 'Lend it',
  lent: (to: string) => `Lent to ${to}.`,
  lentTo: (to: string) => `Lent to ${to}`,
  since: (from: string, until: string | null) =>
    `Since ${day(from)}${until === null ? ', until it is asked for' : `, until ${day(until)}`}.`,
  overdue: (days: number) =>
    `It is ${days} ${days === 1 ? 'day' : 'days'} over. Ask where it is, or say until when it stays out.`,
  alongWords: (titles: readonly string[]) =>
    titles.length === 0 ? 'Nothing goes along.' : `With it: ${listWords(titles)}.`,
  payerWords: { lender: 'Strings are paid for here.', borrower: 'They pay for strings.' } satisfies Record<
    StringPayer,
    string
  >,
  staysOut: 'Save the day',
  saved: 'Saved.',
  print: 'Loan sheet to sign',
  printed: 'The sheet is in your downloads.',
  takeBack: 'It is back',
  backOn: 'Came back on',
  cameAlong: 'What came back with it?',
  taken: 'It is back. What is different stands below.',
  missing: (titles: readonly string[]) => `Did not come back: ${listWords(titles)}.`,
  differences: 'What is different',
  differencesOf: (to: string, from: string, back: string) => `With ${to}, ${day(from)} to ${day(back)}.`,
  none: 'Nothing is different by what is on record. Look it over, and photograph it, so that it is known.',
  added: 'New or worse',
  gone: 'Not there any more',
  same: 'As it was',
  figures: 'Measured otherwise',
  sideBySide: 'Out and back, side by side',
  out: 'Out',
  back: 'Back',
  noPhoto: 'none',
  earlier: 'Lent before',
  row: ({ from, back }: Loan) => `${day(from)} to ${back === null ? 'now' : day(back)}`,
  only: 'Lending is arranged by those who keep the household.',
  notLent: 'It is not lent.',
} as const;

const rowsOf = ({ to, reached, from, until, along, strings, note, back }: Loan): [string, string][] =>
  [
    ['To', to],
    ['Reached at', reached ?? ''],
    ['From', day(from)],
    ['Until', until === null ? 'until it is asked for' : day(until)],
    ['With it', along.map(({ title }) => title).join(', ')],
    ['Strings', copy.payerWords[strings]],
    ['Agreed besides', note ?? ''],
    ['Back', back === null ? '' : day(back)],
    ['Did not come back', listWords(missingOf({ along, back }))],
  ].filter((row): row is [string, string] => row[1] !== '');

/** What goes on the sheet that is signed. */
export function loanSheet(
  loan: Loan,
  instrument: Instrument,
  { out, back, added }: LoanDifferences,
  identity: Card<'identity'>['facts'] | null,
  lengths: LengthUnit,
): PassportDocument {
  const shown = (back ?? out).views.flatMap(({ view, seen }) =>
    seen ? [{ photo: seen.photo, words: VIEW_DATA[view].title }] : [],
  );
  const found = (list: LoanDifferences['added']) =>
    list.map((finding): [string, string] => [
      'Found',
      findingWords(finding, instrument).slice(0, PASSPORT_BOUNDS.cell),
    ]);
  const told = identity && [identity.label, identity.serial, identity.marks].filter((each) => each !== '').join('; ');
  return {
    title: instrument.name,
    about: kindWords(instrument, lengths),
    sections: [
      {
        title: 'The loan',
        rows: [
          ...rowsOf(loan),
          ...(told ? [['Known by', told.slice(0, PASSPORT_BOUNDS.cell)] as [string, string]] : []),
        ],
      },
      { title: 'How it went out', rows: found(out.found) },
      { title: 'What is different', rows: found(added) },
    ],
    views: shown.slice(0, PASSPORT_BOUNDS.photos),
    photos: [],
  };
}

/** Who signs a sheet. */
export const signsOf = (to: string, household: string) => [to, `For ${household}`];

/** A figure that was measured before and after: "Bridge, out of place: 0.2 mm, now 1.4 mm". */
export const figureMovedWords = ({ figure, before, after }: LoanDifferences['figures'][number], lengths: LengthUnit) =>
  `${FIGURE_DATA[figure].title}: ${measureWords(figure, before, lengths)}, now ${measureWords(figure, after, lengths)}`;
