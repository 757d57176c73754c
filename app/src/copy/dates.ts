import { shownLocale } from './locale';
import { fixed } from './numbers';
import { DAY_MS, HOUR_MS, localDay, MINUTE_MS, MONTH_DAYS } from '@tembrin/core/time';

const formats = new Map<string, Intl.DateTimeFormat>();

function format(atMs: number, timeZone: string | undefined, options: Intl.DateTimeFormatOptions): string {
  const { dates, twelveHours } = shownLocale();
  const key = `${timeZone} ${dates} ${twelveHours} ${JSON.stringify(options)}`;
  let made = formats.get(key);
  const cycle = options.hour === undefined ? {} : { hourCycle: twelveHours ? ('h12' as const) : ('h23' as const) };
  if (!made) formats.set(key, (made = new Intl.DateTimeFormat(dates, { ...options, ...cycle, timeZone })));
  return made.format(atMs);
}

const yearOf = (atMs: number, timeZone: string) => format(atMs, timeZone, { year: 'numeric' });

/** A date; the year is named when it is not this one. */
export function dateWords(atMs: number, nowMs: number, timeZone: string): string {
  const year = yearOf(atMs, timeZone) === yearOf(nowMs, timeZone) ? undefined : 'numeric';
  return format(atMs, timeZone, { day: 'numeric', month: 'short', year });
}

/** A date with its year, as where a plan is explained. */
export const fullDateWords = (timeZone: string) => (atMs: number) =>
  format(atMs, timeZone, { day: 'numeric', month: 'short', year: 'numeric' });

/** Time of day, as a clock at the household's place shows it; that place is named where this device's clock shows another. */
export function clockWords(atMs: number, timeZone: string): string {
  return `${clockFace(atMs, timeZone)}${foreignZone(atMs, timeZone, ' ')}`;
}

/** When something was as it is shown: "As of Sat 8:12". */
export function asOfWords(atMs: number, timeZone: string): string {
  return `As of ${format(atMs, timeZone, { weekday: 'short' })} ${clockWords(atMs, timeZone)}`;
}

/** From one time of day to another, "18:30 to 19:15"; the place is named once. */
export function clockSpanWords(fromMs: number, toMs: number, timeZone: string): string {
  return `${clockFace(fromMs, timeZone)} to ${clockWords(toMs, timeZone)}`;
}

/** An hour of the day under a chart: "18:00", "6 pm". */
export function hourWords(hour: number): string {
  const minute = shownLocale().twelveHours ? undefined : '2-digit';
  return format(hour * HOUR_MS, 'UTC', { hour: minute ?? 'numeric', minute });
}

/** What a clock shows; without a zone, this device's. */
const clockFace = (atMs: number, timeZone?: string) =>
  format(atMs, timeZone, { hour: shownLocale().twelveHours ? 'numeric' : '2-digit', minute: '2-digit' });

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
  return { near: false, name: within ? format(atMs, timeZone, { weekday: 'long' }) : dateWords(atMs, nowMs, timeZone) };
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
  const two = (value: number) => String(value).padStart(2, '0');
  const hours = Math.floor(seconds / 3600);
  const rest = `${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}`;
  return hours > 0 ? `${hours}:${rest}` : rest;
}

/** A month of a year, by an instant in it: "May 2026". */
export const monthWords = (atMs: number) => format(atMs, 'UTC', { month: 'short', year: 'numeric' });

/** Short name of a month, 0 January. */
export function monthName(month: number): string {
  return format(Date.UTC(2026, month, 15), 'UTC', { month: 'short' });
}
