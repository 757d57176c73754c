import { shownLocale } from './locale';
import { fixed } from './numbers';
import { DAY_MS, HOUR_MS, localDay, MINUTE_MS, MONTH_DAYS, offsetMs, weekdayOf } from '@tembrin/core/time';

/*
 * English dates as Unicode CLDR writes them, in British and American order. Written here, since a slow phone asks the browser 0.15 s for
 * its first one, while the stand waits.
 */
const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sept Oct Nov Dec'.split(' ');
const WEEKDAYS = 'Mon Tues Wednes Thurs Fri Satur Sun'.split(' ');

/** A calendar's and clock's reading in a zone, or on this device; read it as if it were UTC. */
function wall(atMs: number, timeZone?: string): Date {
  const offset = timeZone === undefined ? -new Date(atMs).getTimezoneOffset() * MINUTE_MS : offsetMs(atMs, timeZone);
  return new Date(atMs + offset);
}

const yearOf = (atMs: number, timeZone: string) => wall(atMs, timeZone).getUTCFullYear();
const weekday = (atMs: number, timeZone: string) => WEEKDAYS[weekdayOf(localDay(atMs, timeZone))]!;

/** Short name of a month, 0 January. */
export const monthName = (month: number): string =>
  shownLocale().dates === 'en-US' ? MONTHS[month]!.slice(0, 3) : MONTHS[month]!;

/** A date; the year is named when it is not this one. */
export const dateWords = (atMs: number, nowMs: number, timeZone: string): string =>
  dated(atMs, timeZone, yearOf(atMs, timeZone) !== yearOf(nowMs, timeZone));

/** A date with its year, as where a plan is explained. */
export const fullDateWords = (timeZone: string) => (atMs: number) => dated(atMs, timeZone, true);

function dated(atMs: number, timeZone: string, withYear: boolean): string {
  const date = wall(atMs, timeZone);
  const [day, month, year] = [date.getUTCDate(), monthName(date.getUTCMonth()), date.getUTCFullYear()];
  if (shownLocale().dates === 'en-US') return `${month} ${day}${withYear ? `, ${year}` : ''}`;
  return `${day} ${month}${withYear ? ` ${year}` : ''}`;
}

/** Time of day, as a clock at the household's place shows it; that place is named where this device's clock shows another. */
export function clockWords(atMs: number, timeZone: string): string {
  return `${clockFace(atMs, timeZone)}${foreignZone(atMs, timeZone, ' ')}`;
}

/** When something was as it is shown: "As of Sat 8:12". */
export function asOfWords(atMs: number, timeZone: string): string {
  return `As of ${weekday(atMs, timeZone).slice(0, 3)} ${clockWords(atMs, timeZone)}`;
}

/** From one time of day to another, "18:30 to 19:15"; the place is named once. */
export function clockSpanWords(fromMs: number, toMs: number, timeZone: string): string {
  return `${clockFace(fromMs, timeZone)} to ${clockWords(toMs, timeZone)}`;
}

/** An hour of the day under a chart: "18:00", "6 pm". */
export const hourWords = (hour: number): string => ofDay(hour, shownLocale().twelveHours ? '' : ':00');

/** What a clock shows; without a zone, this device's. */
function clockFace(atMs: number, timeZone?: string): string {
  const date = wall(atMs, timeZone);
  return ofDay(date.getUTCHours(), `:${two(date.getUTCMinutes())}`);
}

const two = (value: number) => String(value).padStart(2, '0');

/** An hour of a day and what follows it, as the clock here goes round once or twice a day. */
function ofDay(hour: number, minutes: string): string {
  const { dates, twelveHours } = shownLocale();
  if (!twelveHours) return two(hour) + minutes;
  const half = hour < 12 ? 'am' : 'pm';
  return `${hour % 12 || 12}${minutes}\u00a0${dates === 'en-US' ? half.toUpperCase() : half}`;
}

/**
 * Whose time it is, where this device's clock shows another: "Lisbon time"; empty where they agree.
 * @param before what stands between a time and it
 */
export function foreignZone(atMs: number, timeZone: string, before = ''): string {
  if (clockFace(atMs, timeZone) === clockFace(atMs)) return '';
  const city = timeZone.includes('/') && !timeZone.startsWith('Etc/') ? timeZone.split('/').at(-1) : undefined;
  return before + (city ? `${city.replaceAll('_', ' ')} time` : timeZone);
}

/** A day as seen from now: today, yesterday, a weekday within the week, else the date. */
export function dayWords(atMs: number, nowMs: number, timeZone: string): string {
  const { near, name } = dayName(atMs, nowMs, timeZone);
  return near ? name : `on ${name}`;
}

/** A day as it follows "since": "yesterday", "Tuesday", "3 May". */
export function sinceDayWords(atMs: number, nowMs: number, timeZone: string): string {
  return dayName(atMs, nowMs, timeZone).name;
}

/** What a day is called; `near`: by its distance from today. */
function dayName(atMs: number, nowMs: number, timeZone: string): { near: boolean; name: string } {
  const days = localDay(nowMs, timeZone) - localDay(atMs, timeZone);
  const near = { 0: 'today', 1: 'yesterday', [-1]: 'tomorrow' }[days];
  if (near) return { near: true, name: near };
  const within = days > 1 && days < 7;
  return { near: false, name: within ? `${weekday(atMs, timeZone)}day` : dateWords(atMs, nowMs, timeZone) };
}

/** A span of dates, as in "3 May to 20 Aug"; dates only a day apart are named as one. */
export function spanWords(fromMs: number, toMs: number, nowMs: number, timeZone: string, between = 'to'): string {
  const from = dateWords(fromMs, nowMs, timeZone);
  const to = dateWords(toMs, nowMs, timeZone);
  return from === to ? from : `${from} ${between} ${to}`;
}

const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;

/** Minutes of playing: minutes up to five hours, then hours. */
export function minutesWords(minutes: number): string {
  return minutes < 300 ? `${Math.round(minutes)} min` : hoursWords(minutes / 60);
}

/** A figure by itself with what it counts: minutes, from five hours on hours. */
export function countWords(minutes: number, what: string): { figure: string; unit: string } {
  const hours = minutes >= 300;
  const figure = String(Math.round(hours ? minutes / 60 : minutes));
  return { figure, unit: `${hours ? 'hours' : figure === '1' ? 'minute' : 'minutes'} ${what}` };
}

export function hoursWords(hours: number): string {
  return `${hours < 10 ? fixed(hours, 1) : Math.round(hours)} h`;
}

/** How long something has lasted, in the unit people would use. */
export function lastingWords(ms: number): string {
  if (ms < 90 * MINUTE_MS) return plural(Math.max(1, Math.round(ms / MINUTE_MS)), 'minute');
  if (ms < 2 * DAY_MS) return plural(Math.round(ms / HOUR_MS), 'hour');
  const days = Math.round(ms / DAY_MS);
  if (days < 60) return plural(days, 'day');
  return plural(Math.round(days / MONTH_DAYS), 'month');
}

/** Elapsed time on the session clock: minutes and seconds, hours in front when there are any. */
export function elapsedWords(ms: number): string {
  const seconds = Math.max(0, Math.floor(ms / 1000));
  const hours = Math.floor(seconds / 3600);
  const rest = `${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}`;
  return hours > 0 ? `${hours}:${rest}` : rest;
}

/** A month of a year, by an instant in it: "May 2026". */
export const monthWords = (atMs: number) => `${monthName(wall(atMs, 'UTC').getUTCMonth())} ${yearOf(atMs, 'UTC')}`;
