import type { Doer, LogEvent } from '../log';
import type { DatedPart } from '../parts';
import { subjectOf } from '../parts';
import type { LocalDay } from '../time';
import type { PlannedItem } from '../year';
import type { CupboardRow } from './cupboard';

/** Something to be done in the cupboard. */
export interface CupboardWork {
  item: PlannedItem;
  row: CupboardRow;
}

/** What is to be done in one place by one doer, by what it is. */
export interface WorkGroup {
  placeId: string | null;
  who: Doer;
  work: CupboardWork[];
}

/** What is due within so many days is the day's work too: a cupboard is opened once a week. From memory. */
export const WORK_AHEAD_DAYS = 7;

const DOER_ORDER: readonly Doer[] = ['self', 'teacher', 'workshop'];

/**
 * The day's work in a cupboard, as one list by place and by doer [handbook 13]: what is due by the plan of the year, of what is here.
 * What is out or at the workshop waits until it is back.
 */
export function dayWork(items: readonly PlannedItem[], rows: readonly CupboardRow[], today: LocalDay): WorkGroup[] {
  const byId = new Map(rows.map((row) => [row.id, row]));
  const groups = new Map<string, WorkGroup>();
  for (const item of items) {
    const row = byId.get(item.instrumentId);
    if (!row || item.day - today > WORK_AHEAD_DAYS) continue;
    if (row.holder.at === 'lent' || row.holder.at === 'workshop') continue;
    const key = `${row.placeId} ${item.who}`;
    const group = groups.get(key) ?? { placeId: row.placeId, who: item.who, work: [] };
    group.work.push({ item, row });
    groups.set(key, group);
  }
  return [...groups.values()]
    .map((group) => ({
      ...group,
      work: group.work.toSorted(
        (a, b) => a.item.part.localeCompare(b.item.part) || a.row.name.localeCompare(b.row.name),
      ),
    }))
    .sort(
      (a, b) =>
        (a.placeId ?? '').localeCompare(b.placeId ?? '') || DOER_ORDER.indexOf(a.who) - DOER_ORDER.indexOf(b.who),
    );
}

/** What may be put on record for many at once: the same for each, said in one entry. */
export const BULK_DONE = {
  checkup: { type: 'checked-up', payload: { known: true } },
  'hair-look': { type: 'hair-looked-over', payload: {} },
  strings: { type: 'strings-looked-over', payload: {} },
} as const satisfies Partial<Record<DatedPart, Pick<LogEvent, 'type' | 'payload'>>>;
export type BulkPart = keyof typeof BULK_DONE;
export const BULK_PARTS = Object.keys(BULK_DONE) as [BulkPart, ...BulkPart[]];

/** What an item of the list is told from another by. */
export const workKey = ({ item }: CupboardWork): string => `${item.part} ${subjectOf(item)}`;
