import { randomUUID } from 'node:crypto';
import {
  dayOfDate,
  dueOf,
  HOUR_MS,
  isOut,
  localDay,
  overdueDays,
  startOfLocalDay,
  subjectOf,
  withWhich,
  type Loan,
  type LocalDay,
  type PlannedItem,
} from '@tembrin/core';
import { API_ROOT, overdueWords, plannedWords } from '@tembrin/contract';
import { Op, type Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import type { PersonRow } from '../database/people-models';
import { calendarText, type CalendarEntry, type EntryFacts } from '../formats/calendar-write';
import { fail } from '../problems/problems';
import { personOf, WHOLE } from './actor';
import { assessedYear } from './assessed';
import { idOfKey, keyOf } from './private-address';
import { hashed } from './hashed';
import { HouseholdScope } from './scope';

/** Time of day at which an entry rings. */
const RINGS_AT_H = 9;
/** Cancelled entries are told of for so long, so that every calendar program hears of it. */
const CANCELLED_MS = 90 * 24 * HOUR_MS;

/** What a household's calendar says, and the private address under which it says it. */
export class CalendarScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
    private readonly secret: string,
  ) {}

  /**
   * The calendar's text. What changed since it was last read counts up its SEQUENCE, what is no longer due is cancelled;
   * all of it in one transaction, so that two readers never tell different stories. Judged once a day, and whenever something
   * of the household or the readings of its sensors changed; otherwise it is as it was told.
   */
  async text(published: boolean, now = new Date()): Promise<string> {
    const { name, turn, timeZone, calendarFrom } = await this.scope.row();
    const today = localDay(now.getTime(), timeZone);
    const readings = await this.turnsOfSensors();
    const from = (turnOf: number) => [turnOf, readings, today].join(' ');
    const entries = calendarFrom === from(turn) ? await this.told() : await this.judge(now, today, from, turn);
    const { only } = this.scope.actor;
    const theirs = only ? entries.filter(({ facts: { of } }) => of !== undefined && only.has(of)) : entries;
    return calendarText(`${name}: upkeep`, theirs, published);
  }

  /** Changes with every change of the readings of this household's sensors, and with the sensors. */
  private async turnsOfSensors(): Promise<string> {
    const sql = 'SELECT no, turn FROM sensors WHERE householdId = ? ORDER BY no';
    const rows = await this.database.reads.rows<{ no: number; turn: number }>(sql, [this.scope.identity.householdId]);
    return hashed(JSON.stringify(rows.map(({ no, turn }) => [no, turn])));
  }

  /** The entries as they were last told. */
  private async told(): Promise<CalendarEntry[]> {
    const sql = 'SELECT uid, sequence, stampedAt, facts, cancelledAt FROM calendar_items WHERE householdId = ?';
    const rows = await this.database.reads.rows<EntryRow>(sql, [this.scope.identity.householdId]);
    return inOrder(rows.map(entryOf));
  }

  /** The entries as they are from now on. @param from what they rest on, by the household's turn; `turn` is the one before */
  private async judge(
    now: Date,
    today: LocalDay,
    from: (turn: number) => string,
    turn: number,
  ): Promise<CalendarEntry[]> {
    // What a household is told of its entries is one story, whoever reads a part of it.
    const { plan, loans, names, timeZone } = await assessedYear(this.database, this.scope.unbounded, now.getTime());
    const wanted = new Map<string, (before: EntryFacts | null) => EntryFacts>([
      ...plan.items.map((item): [string, (before: EntryFacts | null) => EntryFacts] => [
        uidOf(item),
        (before) => steadied(factsOf(item, names.get(subjectOf(item)) ?? '', timeZone, today), item, before, today),
      ]),
      ...loans.flatMap((loan): [string, () => EntryFacts][] => {
        const facts = factsOfLoan(loan, names.get(loan.instrumentId) ?? '', timeZone, today);
        return facts ? [[`loan-${loan.id}@tembrin`, () => facts]] : [];
      }),
    ]);
    return this.publish(
      [...wanted.keys()],
      (uid, before) => wanted.get(uid)?.(before),
      now,
      (next) =>
        // What changed while it was judged is judged next time.
        next === turn + 1 ? from(next) : null,
    );
  }

  private publish(
    wanted: readonly string[],
    factsFor: (uid: string, before: EntryFacts | null) => EntryFacts | undefined,
    now: Date,
    from: (turn: number) => string | null,
  ): Promise<CalendarEntry[]> {
    const { CalendarItem } = this.database.models;
    return this.scope.alone(async (transaction, household) => {
      await CalendarItem.destroy({
        where: this.scope.where({ cancelledAt: { [Op.lt]: new Date(now.getTime() - CANCELLED_MS) } }),
        transaction,
      });
      const rows = await CalendarItem.findAll({ where: this.scope.where({}), transaction });
      const entries: CalendarEntry[] = [];
      const stampedAt = new Date(Math.floor(now.getTime() / 1000) * 1000);
      for (const row of rows) {
        const facts = factsFor(row.uid, factsIn(row.facts));
        const text = facts && JSON.stringify(facts);
        const changed = facts ? text !== row.facts || row.cancelledAt !== null : row.cancelledAt === null;
        if (changed) {
          await row.update(
            {
              sequence: row.sequence + 1,
              stampedAt,
              cancelledAt: facts ? null : stampedAt,
              ...(text && { facts: text }),
            },
            { transaction },
          );
        }
        entries.push(entryOf(row));
      }
      const known = new Set(rows.map(({ uid }) => uid));
      for (const uid of wanted) {
        if (known.has(uid)) continue;
        const facts = JSON.stringify(factsFor(uid, null));
        const row = await CalendarItem.create(
          this.scope.where({ uid, sequence: 0, stampedAt, facts, cancelledAt: null }),
          { transaction },
        );
        entries.push(entryOf(row));
      }
      await household.update({ calendarFrom: from(Number(household.turn)) }, { transaction });
      return inOrder(entries);
    });
  }

  /** The row of a person who sees a part: it holds their own address. null where the household's is theirs. */
  private async holder(transaction?: Transaction): Promise<PersonRow | null> {
    const { person, only } = this.scope.actor;
    if (!person || !only) return null;
    const where = this.scope.where({ id: person.id, goneAt: null });
    return (
      (await this.database.models.Person.findOne({ where, transaction })) ??
      fail(404, 'no-such-person', 'There is no such person here. They may have been taken out.')
    );
  }

  async address(): Promise<{ path: string | null }> {
    const { calendarId } = (await this.holder()) ?? (await this.scope.row());
    return { path: calendarId && pathOf(calendarId, this.secret) };
  }

  /** Makes an address, or another in place of the one there is. */
  async renewAddress(): Promise<{ path: string | null }> {
    const calendarId = randomUUID();
    await this.keep(calendarId);
    return { path: pathOf(calendarId, this.secret) };
  }

  revokeAddress(): Promise<void> {
    return this.keep(null);
  }

  private keep(calendarId: string | null): Promise<void> {
    return this.scope.alone(async (transaction, household) => {
      const row = (await this.holder(transaction)) ?? household;
      // Neither is another version of what others change: the address is nobody else's business.
      await (row as PersonRow).update({ calendarId }, { transaction });
    });
  }
}

function pathOf(calendarId: string, secret: string): string {
  return `${API_ROOT}/calendar/feed/${keyOf('calendar', calendarId, secret)}.ics`;
}

/** The calendar under a private address, a household's or that of a person who signs in: it goes with their account. @throws ProblemError 404 for one that is wrong or revoked */
export async function calendarAt(database: Database, secret: string, key: string): Promise<string> {
  const { Household, Person } = database.models;
  const calendarId = idOfKey('calendar', key.replace(/\.ics$/, ''), secret);
  const where = { calendarId };
  const row = calendarId === null ? null : await Household.findOne({ where });
  const person =
    calendarId === null || row
      ? null
      : await Person.findOne({ where: { ...where, goneAt: null, accountId: { [Op.ne]: null } } });
  const householdId = row?.id ?? person?.householdId;
  if (householdId === undefined)
    return fail(
      404,
      'no-such-calendar',
      'There is no calendar at this address. It may have been revoked; look for the new one under Year.',
    );
  const reader = person && personOf(person);
  const actor = reader ? { person: reader, only: withWhich(reader, 'see') } : WHOLE;
  return new CalendarScope(
    database,
    new HouseholdScope(database, { householdId, accountId: null }, actor),
    secret,
  ).text(true);
}

/** Stays the same as long as the part's life does. */
function uidOf(item: PlannedItem): string {
  const { part, from } = item;
  return `${part}-${subjectOf(item)}-${Math.round(from / 1000)}@tembrin`;
}

/** Overdue: the middle of its window is past, and nobody chose another day. */
const isOverdue = ({ placed, window, day }: PlannedItem, timeZone: string, today: LocalDay) =>
  placed.by !== 'player' && day <= today && localDay(window.middle, timeZone) < today;

function factsOf(item: PlannedItem, name: string, timeZone: string, today: LocalDay): EntryFacts {
  const overdue = isOverdue(item, timeZone, today);
  return {
    title: `${name}: ${dueOf(item.part).title.toLowerCase()}`,
    text: overdue ? overdueWords(item, timeZone) : plannedWords(item, timeZone),
    overdue,
    day: item.day,
    alarmAt: startOfLocalDay(item.day, timeZone) + RINGS_AT_H * HOUR_MS,
    of: item.instrumentId,
  };
}

/** The day something that is out is to be back; null where none was said, or it is in. */
function factsOfLoan(loan: Loan, name: string, timeZone: string, today: LocalDay): EntryFacts | null {
  if (loan.until === null || !isOut(loan, today)) return null;
  const day = dayOfDate(loan.until);
  return {
    title: `${name}: back from ${loan.to}`,
    text: `On loan to ${loan.to} until this day.`,
    overdue: overdueDays(loan, today) > 0,
    day,
    alarmAt: startOfLocalDay(day, timeZone) + RINGS_AT_H * HOUR_MS,
    of: loan.instrumentId,
  };
}

/** A forecast moves a little with every evening's playing; a calendar follows once it has moved so many days, or so much of the time until then. From memory. */
const FOLLOWS_DAYS = 4;
const FOLLOWS_SHARE = 0.1;

/**
 * What an entry says from now on: as before while little has changed, so that nobody is told anew each day; what is overdue
 * stays on the day it came to. A day the player set, or a performance in the way, is followed at once.
 */
function steadied(next: EntryFacts, { placed }: PlannedItem, before: EntryFacts | null, today: LocalDay): EntryFacts {
  if (!before || before.title !== next.title || placed.by === 'player' || placed.by === 'performance') return next;
  if (next.day === today && before.day <= today)
    return before.overdue ? { ...before, of: next.of } : { ...next, day: before.day, alarmAt: before.alarmAt };
  const little = Math.max(FOLLOWS_DAYS, FOLLOWS_SHARE * (before.day - today));
  return Math.abs(next.day - before.day) < little && before.day >= today ? { ...before, of: next.of } : next;
}

/** What was told of an entry; until there was one day for each, it lay over the whole of its window. */
function factsIn(text: string): EntryFacts {
  const { from, ...facts } = JSON.parse(text) as EntryFacts & { from?: LocalDay; to?: LocalDay };
  const { title, text: words, day = from ?? 0, overdue = false, alarmAt, of } = facts;
  return { title, text: words, overdue, day, alarmAt, of };
}

interface EntryRow {
  uid: string;
  sequence: number;
  stampedAt: Date;
  facts: string;
  cancelledAt: Date | null;
}

const inOrder = (entries: readonly CalendarEntry[]) =>
  entries.toSorted((a, b) => a.facts.day - b.facts.day || (a.uid < b.uid ? -1 : 1));

function entryOf(row: EntryRow): CalendarEntry {
  const { uid, sequence, stampedAt, facts, cancelledAt } = row;
  return { uid, sequence, stampedAt, facts: factsIn(facts), cancelled: cancelledAt !== null };
}
