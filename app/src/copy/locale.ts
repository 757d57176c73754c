/** How dates and numbers are written where the browser is set to be; the language stays English. */
export interface Locale {
  /** English as it writes a date in this order: the month first, or the day. */
  dates: 'en-US' | 'en-GB';
  twelveHours: boolean;
  decimal: string;
  /** Where amounts of money and large numbers are written; digits are those of English. */
  tag: string;
}

const shown: Locale = { dates: 'en-GB', twelveHours: false, decimal: '.', tag: 'en-GB' };

/** What is written at present; see `followLocale`. */
export const shownLocale = (): Readonly<Locale> => shown;

/**
 * Takes order, clock and decimal sign from a language tag; one that cannot be read leaves them as they are. Digits stay those of
 * English, since the words do.
 * @param tag BCP 47, as in navigator.language; undefined where there is none
 */
export function followLocale(tag: string | undefined): void {
  const options = { calendar: 'gregory', numberingSystem: 'latn' };
  let tags: string[];
  try {
    tags = Intl.getCanonicalLocales(tag ?? []);
  } catch {
    return;
  }
  if (tags.length === 0) return;
  const parts = new Intl.DateTimeFormat(tags, { ...options, day: 'numeric', month: 'numeric' }).formatToParts(0);
  const place = (wanted: string) => parts.findIndex(({ type }) => type === wanted);
  shown.dates = place('month') < place('day') ? 'en-US' : 'en-GB';
  shown.twelveHours = new Intl.DateTimeFormat(tags, { ...options, hour: 'numeric' }).resolvedOptions().hour12 ?? false;
  const number = new Intl.NumberFormat(tags, { numberingSystem: 'latn' }).formatToParts(0.5);
  shown.tag = tags[0]!;
  shown.decimal = number.find(({ type }) => type === 'decimal')?.value ?? '.';
}

if (typeof navigator !== 'undefined') followLocale(navigator.language);
