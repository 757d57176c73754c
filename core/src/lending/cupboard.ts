import type { Assessment, OwnInstrument } from '../assess';
import type { Family } from '../instruments';
import { nextSize, type NextSize } from '../jobs';
import { stayNow, type Measure } from '../log';
import { byUrgency, type ThreadState } from '../parts';
import type { Person } from '../people';
import { DAY_MS, localDay, type LocalDay } from '../time';
import { loanNow, overdueDays, type Loan } from './loan';

/** Where an instrument is: in the cupboard, with somebody, at the workshop. */
export type Holder =
  | { at: 'in' }
  | { at: 'workshop' }
  | { at: 'lent'; to: string; personId: string | null; until: string | null; overdueDays: number }
  /** Who plays it has it, though nothing was lent. */
  | { at: 'played'; to: string; personId: string };

/** An instrument as a cupboard lists it. */
export interface CupboardRow {
  id: string;
  name: string;
  family: Family;
  size: string | null;
  holder: Holder;
  placeId: string | null;
  /** The part that asks first. */
  state: ThreadState;
  /** Things found and not seen to. */
  found: number;
}

type Named = OwnInstrument & { name: string };

/** Where an instrument is on a day. */
export function holderOf<L extends Loan>(
  { facts: { id }, log }: Pick<Assessment<OwnInstrument>, 'facts' | 'log'>,
  loans: readonly L[],
  people: readonly Person[],
  today: LocalDay,
): Holder {
  if (stayNow(log) !== null) return { at: 'workshop' };
  const loan = loanNow(loans, id, today);
  if (loan) {
    const { to, personId, until } = loan;
    return { at: 'lent', to, personId, until, overdueDays: overdueDays(loan, today) };
  }
  const player = people.find(({ plays }) => plays.includes(id));
  return player ? { at: 'played', to: player.name, personId: player.id } : { at: 'in' };
}

/** The instruments of a household as a cupboard lists them, in their order. */
export function cupboardRows(
  assessments: readonly Assessment<Named>[],
  loans: readonly Loan[],
  people: readonly Person[],
): CupboardRow[] {
  return assessments.map((assessment) => {
    const { facts, log, threads, found } = assessment;
    const today = localDay(log.nowMs, log.timeZone);
    return {
      id: facts.id,
      name: facts.name,
      family: facts.family,
      size: facts.size,
      holder: holderOf(assessment, loans, people, today),
      placeId: log.moves.at(-1)?.placeId ?? null,
      state: byUrgency(threads)[0]?.state ?? 'unknown',
      found: found.length,
    };
  });
}

/** What is looked for in a cupboard; null: any. */
export interface CupboardWish {
  /** Words that stand in its name, its holder's or its place's. */
  words: string;
  family: Family | null;
  size: string | null;
  where: 'free' | 'out' | 'overdue' | 'workshop' | null;
  asks: boolean;
  placeId: string | null;
}

/** As it is compared: without case and without accents. */
const plain = (text: string) => text.normalize('NFD').replaceAll(/\p{M}/gu, '').toLowerCase();

const IS_THERE: Readonly<Record<NonNullable<CupboardWish['where']>, (holder: Holder) => boolean>> = {
  free: ({ at }) => at === 'in',
  out: ({ at }) => at === 'lent' || at === 'played',
  overdue: (holder) => holder.at === 'lent' && holder.overdueDays > 0,
  workshop: ({ at }) => at === 'workshop',
};

/**
 * Those of a cupboard that are looked for. Every word has to stand somewhere.
 * @param namesOf what else a row is found by: kind, place
 */
export function foundIn(
  rows: readonly CupboardRow[],
  { words, family, size, where, asks, placeId }: CupboardWish,
  namesOf: (row: CupboardRow) => string,
): CupboardRow[] {
  const wanted = plain(words)
    .split(/\s+/)
    .filter((word) => word !== '')
    .slice(0, 12);
  return rows.filter((row) => {
    if (family !== null && row.family !== family) return false;
    if (size !== null && row.size !== size) return false;
    if (placeId !== null && row.placeId !== placeId) return false;
    if (where !== null && !IS_THERE[where](row.holder)) return false;
    if (asks && row.state !== 'now' && row.found === 0) return false;
    if (wanted.length === 0) return true;
    const text = plain(`${row.name} ${'to' in row.holder ? row.holder.to : ''} ${namesOf(row)}`);
    return wanted.every((word) => text.includes(word));
  });
}

/** How far ahead a size that is outgrown is told of. From memory: what a school needs to find another. */
const AHEAD_DAYS = 120;

/** Somebody who outgrows their instrument, and what is free in the size after it. */
export interface Outgrowing {
  row: CupboardRow;
  next: NextSize;
  size: string;
  free: CupboardRow[];
}

/**
 * The lengths of the arm of who has an instrument, in order of time: an arm is a person's, whatever they played when it was measured.
 * What was measured without a name is of who has that instrument.
 */
function armsOf(
  assessments: readonly Assessment<Named>[],
  rows: readonly CupboardRow[],
  { id, holder }: CupboardRow,
): Measure[] {
  const personId = 'personId' in holder ? holder.personId : null;
  return assessments
    .flatMap(({ facts, log }, at) => {
      const other = rows[at]!.holder;
      const isTheirs = facts.id === id || (personId !== null && 'personId' in other && other.personId === personId);
      return log.measures.filter(
        ({ figure, who }) =>
          figure === 'arm-length' && (who === undefined || personId === null ? isTheirs : who === personId),
      );
    })
    .sort((a, b) => a.at - b.at);
}

/**
 * Who is about to outgrow what they have, soonest first, and which free instruments fit next [handbook 10, 13]. Told of violins whose
 * player's arm was measured; of others the handbook gives no sizes by the player.
 */
export function outgrowing(assessments: readonly Assessment<Named>[], rows: readonly CupboardRow[]): Outgrowing[] {
  const free = rows.filter(({ holder }) => holder.at === 'in');
  return assessments
    .flatMap((assessment, at): Outgrowing[] => {
      const { facts, log } = assessment;
      const row = rows[at]!;
      if (row.holder.at === 'in') return [];
      const next = nextSize(facts, armsOf(assessments, rows, row));
      if (!next) return [];
      const soon =
        next.window !== null && next.fits === facts.size && next.window.from - log.nowMs < AHEAD_DAYS * DAY_MS;
      const size = next.outgrown ? next.fits : soon ? next.next : null;
      if (size === null) return [];
      const fitting = free.filter((each) => each.family === facts.family && each.size === size);
      return [{ row, next, size, free: fitting }];
    })
    .sort(
      (a, b) =>
        Number(b.next.outgrown) - Number(a.next.outgrown) ||
        (a.next.window?.from ?? Infinity) - (b.next.window?.from ?? Infinity),
    );
}
