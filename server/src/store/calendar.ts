import { createHmac, randomUUID, timingSafeEqual } from 'node:crypto';
import { dueOf, HOUR_MS, localDay, startOfLocalDay, type PlannedItem } from '@tembrin/core';
import { API_ROOT, plannedWords } from '@tembrin/contract';
import { Op } from 'sequelize';
import type { Database } from '../database/connect';
import { calendarText, type CalendarEntry, type EntryFacts } from '../formats/calendar-write';
import { fail } from '../problems/problems';
import { assessedYear } from './assessed';
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
   * all of it in one transaction, so that two readers never tell different stories.
   */
  async text(published: boolean, now = new Date()): Promise<string> {
    const { plan, instruments, timeZone, name } = await assessedYear(this.database, this.scope, now.getTime());
    const names = new Map(instruments.map((instrument) => [instrument.id, instrument.name]));
    const wanted = new Map(
      plan.items.map((item) => [uidOf(item), factsOf(item, names.get(item.instrumentId) ?? '', timeZone)]),
    );
    const entries = await this.publish(wanted, now);
    return calendarText(`${name}: upkeep`, entries, published);
  }

  private publish(wanted: ReadonlyMap<string, EntryFacts>, now: Date): Promise<CalendarEntry[]> {
    const { CalendarItem } = this.database.models;
    return this.scope.alone(async (transaction) => {
      await CalendarItem.destroy({
        where: this.scope.where({ cancelledAt: { [Op.lt]: new Date(now.getTime() - CANCELLED_MS) } }),
        transaction,
      });
      const rows = await CalendarItem.findAll({ where: this.scope.where({}), transaction });
      const entries: CalendarEntry[] = [];
      const stampedAt = new Date(Math.floor(now.getTime() / 1000) * 1000);
      for (const row of rows) {
        const facts = wanted.get(row.uid);
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
      for (const [uid, facts] of wanted) {
        if (known.has(uid)) continue;
        const row = await CalendarItem.create(
          this.scope.where({ uid, sequence: 0, stampedAt, facts: JSON.stringify(facts), cancelledAt: null }),
          { transaction },
        );
        entries.push(entryOf(row));
      }
      return entries.sort((a, b) => a.facts.from - b.facts.from || (a.uid < b.uid ? -1 : 1));
    });
  }

  async address(): Promise<{ path: string | null }> {
    const { calendarId } = await this.scope.row();
    return { path: calendarId && pathOf(calendarId, this.secret) };
  }

  /** Makes an address, or another in place of the one there is. */
  async renewAddress(): Promise<{ path: string | null }> {
    const calendarId = randomUUID();
    await this.scope.alone((transaction, row) => row.update({ calendarId }, { transaction }));
    return { path: pathOf(calendarId, this.secret) };
  }

  async revokeAddress(): Promise<void> {
    await this.scope.alone((transaction, row) => row.update({ calendarId: null }, { transaction }));
  }
}

/** Signed, so that knowing the database's random number is not enough. */
function keyOf(calendarId: string, secret: string): string {
  return `${calendarId}.${createHmac('sha256', secret).update(`calendar ${calendarId}`).digest('base64url')}`;
}

function pathOf(calendarId: string, secret: string): string {
  return `${API_ROOT}/calendar/feed/${keyOf(calendarId, secret)}.ics`;
}

/** The calendar under a private address. @throws ProblemError 404 for one that is wrong or revoked */
export async function calendarAt(database: Database, secret: string, key: string): Promise<string> {
  const given = key.replace(/\.ics$/, '');
  const calendarId = given.split('.')[0] ?? '';
  const expected = Buffer.from(keyOf(calendarId, secret));
  const right = expected.length === Buffer.byteLength(given) && timingSafeEqual(expected, Buffer.from(given));
  const row = right ? await database.models.Household.findOne({ where: { calendarId } }) : null;
  if (!row)
    fail(
      404,
      'no-such-calendar',
      'There is no calendar at this address. It may have been revoked; look for the new one under Year.',
    );
  const scope = new HouseholdScope(database, { householdId: row.id, accountId: null });
  return new CalendarScope(database, scope, secret).text(true);
}

/** Stays the same as long as the part's life does. */
function uidOf({ instrumentId, part, from }: PlannedItem): string {
  return `${part}-${instrumentId}-${Math.round(from / 1000)}@tembrin`;
}

function factsOf(item: PlannedItem, name: string, timeZone: string): EntryFacts {
  const [early, late] = [item.window.early, item.window.late].map((at) => localDay(at, timeZone)) as [number, number];
  return {
    title: `${name}: ${dueOf(item.part).title.toLowerCase()}`,
    text: plannedWords(item, timeZone),
    from: Math.min(early, item.day),
    to: Math.max(late, item.day),
    alarmAt: startOfLocalDay(item.day, timeZone) + RINGS_AT_H * HOUR_MS,
  };
}

function entryOf(row: {
  uid: string;
  sequence: number;
  stampedAt: Date;
  facts: string;
  cancelledAt: Date | null;
}): CalendarEntry {
  const { uid, sequence, stampedAt, facts, cancelledAt } = row;
  return { uid, sequence, stampedAt, facts: JSON.parse(facts) as EntryFacts, cancelled: cancelledAt !== null };
}
