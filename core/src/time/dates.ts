import * as z from 'zod';
import { DAY_MS } from './units';
import type { LocalDay } from './zone';

/** A calendar date, written yyyy-mm-dd. */
export const dateSchema = z.iso.date('Write the date as year-month-day, like 2026-03-14.');

/**
 * A calendar date as a number of days.
 * @param text yyyy-mm-dd
 * @example dayOfDate('1970-01-02') // 1
 */
export function dayOfDate(text: string): LocalDay {
  return Math.round(Date.parse(`${text}T00:00:00Z`) / DAY_MS);
}

/**
 * A day written yyyy-mm-dd.
 * @example dateOfDay(20454) // '2026-01-01'
 */
export function dateOfDay(day: LocalDay): string {
  return new Date(day * DAY_MS).toISOString().slice(0, 10);
}
