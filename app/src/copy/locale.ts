/** How dates and numbers are written where the browser is set to be; the language stays English. */
export interface Locale {
  /** English as it writes a date in this order: the month first, or the day. */
  dates: 'en-US' | 'en-GB';
  twelveHours: boolean;
  decimal: string;
  /** Where amounts of money and large numbers are written; digits are those of English. */
  tag: string;
}

const USUAL: Locale = { dates: 'en-GB', twelveHours: false, decimal: '.', tag: 'en-GB' };
/** Kept by the browser: a slow phone asks 0.15 s for its first date or number, while the stand waits. */
const KEPT = 'tembrin-locale';

let shown: Readonly<Locale> | undefined;

/** What is written at present: at first as the browser is set, see `followLocale`. */
export const shownLocale = (): Readonly<Locale> => (shown ??= ofBrowser());

/**
 * Takes order, clock and decimal sign from a language tag; one that cannot be read leaves them as they are. Digits stay those of
 * English, since the words do.
 * @param tag BCP 47, as in navigator.language; undefined where there is none
 */
export function followLocale(tag: string | undefined): void {
  shown = localeOf(tag) ?? shown;
}

function localeOf(tag: string | undefined): Locale | undefined {
  const options = { calendar: 'gregory', numberingSystem: 'latn' };
  let tags: string[];
  try {
    tags = Intl.getCanonicalLocales(tag ?? []);
  } catch {
    return undefined;
  }
  if (tags.length === 0) return undefined;
  const parts = new Intl.DateTimeFormat(tags, { ...options, day: 'numeric', month: 'numeric' }).formatToParts(0);
  const place = (wanted: string) => parts.findIndex(({ type }) => type === wanted);
  const number = new Intl.NumberFormat(tags, { numberingSystem: 'latn' }).formatToParts(0.5);
  return {
    dates: place('month') < place('day') ? 'en-US' : 'en-GB',
    twelveHours: new Intl.DateTimeFormat(tags, { ...options, hour: 'numeric' }).resolvedOptions().hour12 ?? false,
    decimal: number.find(({ type }) => type === 'decimal')?.value ?? '.',
    tag: tags[0]!,
  };
}

/** As this browser was asked before, while it is the same and set to the same language. */
function ofBrowser(): Locale {
  const { language, userAgent } = globalThis.navigator ?? {};
  const of = `${language} ${userAgent}`;
  try {
    const kept = JSON.parse(localStorage.getItem(KEPT)!) as { of: string; found: Locale } | null;
    if (kept?.of === of) return kept.found;
  } catch {
    // Asked anew: it is no text of ours, or the browser lets nobody at what it keeps.
  }
  const found = localeOf(language) ?? USUAL;
  try {
    localStorage.setItem(KEPT, JSON.stringify({ of, found }));
  } catch {
    // A browser that keeps nothing is asked each time.
  }
  return found;
}
