import { HOUR_MS, startOfLocalDay } from '@tembrin/core/time';
import { bowsOf } from '@tembrin/core/bow';
import type { Family } from '@tembrin/core/instruments';
import type { Doer } from '@tembrin/core/log';
import type { PlannedItem } from '@tembrin/core/year';
import { bowsAmong } from './bows';
import type { Card } from './cards';

export const DOER_TITLES: Readonly<Record<Doer, string>> = {
  self: 'Yourself',
  teacher: 'Teacher',
  workshop: 'Workshop',
};

/**
 * What each subject of upkeep is called: an instrument by its name, a bow that came by itself by its own, with that of its home.
 * @returns names by the id of the instrument or the bow
 */
export function subjectNames(
  instruments: readonly { id: string; name: string; family: Family }[],
  cards: readonly Card[],
): ReadonlyMap<string, string> {
  const names = new Map(instruments.map(({ id, name }) => [id, name]));
  for (const { id, title, instrumentIds } of bowsOf(instruments, bowsAmong(cards)))
    if (!names.has(id)) names.set(id, `${names.get(instrumentIds[0]!)!}, ${title ?? 'bow'}`);
  return names;
}

/** A date as a calendar names it, which does not know who reads it: no order of day and month to be mistaken. */
function calendarDate(timeZone: string): (ms: number) => string {
  const format = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone });
  return (ms) => format.format(ms);
}

/**
 * Why a piece of upkeep stands on its day, in a sentence; the same on a screen and in a calendar.
 * @param at names a date, where a screen has its own way of writing it
 */
export function plannedWords(
  { placed, window, day, who, clash }: PlannedItem,
  timeZone: string,
  at = calendarDate(timeZone),
): string {
  const on = at(startOfLocalDay(day, timeZone) + 12 * HOUR_MS);
  const span = `Due between ${at(window.early)} and ${at(window.late)}; planned for ${on}`;
  const why = {
    window: ', the middle of that.',
    today: ': the middle of that is past.',
    workshop: ', once it is back from the workshop.',
    player: ', as you set it.',
    performance: '',
    visit: '',
  }[placed.by];
  const reason =
    placed.by === 'performance'
      ? ` ${placed.side} ${placed.occasion.title}, to leave it alone in the days before.`
      : placed.by === 'visit'
        ? `, together with ${placed.with === 1 ? 'one other' : `${placed.with} others`} in one visit.`
        : why;
  const warning = clash ? ` That is too close before ${clash.title}.` : '';
  return `${span}${reason}${warning} Done by: ${DOER_TITLES[who].toLowerCase()}.`;
}

/** The same of what is overdue, in words that are the same tomorrow. */
export function overdueWords({ window, who }: PlannedItem, timeZone: string): string {
  return `Overdue: the middle of its window was ${calendarDate(timeZone)(window.middle)}. Done by: ${DOER_TITLES[who].toLowerCase()}.`;
}
