import { afterEach, describe, expect, jest, test } from '@jest/globals';
import fc from 'fast-check';
import {
  asOfWords,
  clockSpanWords,
  clockWords,
  dateWords,
  dayWords,
  foreignZone,
  fullDateWords,
  hourWords,
  monthName,
  monthWords,
} from './dates';
import { followLocale, shownLocale } from './locale';
import { humidityWords, inUnits, lengthFigure, temperatureWords } from './measures';
import { readMeasure } from './typed';
import { fixed, numberWords, readNumber, upTo } from './numbers';

afterEach(() => followLocale('en-GB'));

const EVENING = Date.parse('2026-05-03T18:05:00Z');
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;

// Orders, clocks and signs: Unicode CLDR.
test.each([
  ['en-GB', '3 May', '18:05', '1,234', '20.5 °C', '18:00'],
  ['en-US', 'May 3', '6:05 PM', '1,234', '20.5 °C', '6 PM'],
  ['de-DE', '3 May', '18:05', '1.234', '20,5 °C', '18:00'],
  ['sv-SE', '3 May', '18:05', '1 234', '20,5 °C', '18:00'],
  ['pt-PT', '3 May', '18:05', '1234', '20,5 °C', '18:00'],
  ['ja-JP', 'May 3', '18:05', '1,234', '20.5 °C', '18:00'],
  ['hi-IN-u-nu-deva', '3 May', '6:05 PM', '1,234', '20.5 °C', '6 PM'],
])('%s: dates, clocks and numbers are written as there, in English words', (tag, date, clock, count, warm, hour) => {
  followLocale(tag);
  const plain = (text: string) =>
    text.replaceAll(/[\u00a0\u202f]/g, ' ').replace(/ ([ap])m/, (all) => all.toUpperCase());
  expect(plain(dateWords(EVENING, EVENING, 'UTC'))).toBe(date);
  expect(plain(clockWords(EVENING, 'UTC')).replace(' UTC', '')).toBe(clock);
  expect(plain(hourWords(18))).toBe(hour);
  expect(plain(numberWords(1234))).toBe(count);
  expect(temperatureWords(20.5, 'C')).toBe(warm);
});

test('a tag that is none changes nothing', () => {
  followLocale('de-AT');
  followLocale('not a tag');
  followLocale(undefined);
  expect(shownLocale()).toMatchObject({ decimal: ',', dates: 'en-GB', twelveHours: false });
});

test('what is shown can be typed back, with a comma or a point', () => {
  for (const tag of ['en-GB', 'de-DE', 'fr-FR', 'fa-IR']) {
    followLocale(tag);
    for (const mm of [327.5, 0.3, 12]) expect(readNumber(lengthFigure(mm, 'mm'))).toBeCloseTo(mm, 5);
    expect(readNumber(fixed(-3.25, 2))).toBe(-3.25);
    expect(readNumber('6.5')).toBe(6.5);
    expect(readNumber('6,5')).toBe(6.5);
    expect(readNumber('1.234,5')).toBeNull();
  }
  followLocale('de-DE');
  expect(readMeasure('bow-gap', '6 ,5', 'mm')).toBe('Write a number, like 7 or 6,5.');
});

test('a comma stands in sentences too, and in nothing that is not a number', () => {
  followLocale('it-IT');
  expect(inUnits('Tighten to 7.5 mm; step 2. Wait.')).toBe('Tighten to 7,5 mm; step 2. Wait.');
  expect(humidityWords(0.456, 1)).toBe('45,6 %');
  expect(upTo(7, 2)).toBe('7');
  expect(monthWords(EVENING)).toBe('May 2026');
});

test('a time is named by its place where this device’s clock shows another', () => {
  expect(foreignZone(EVENING, HERE)).toBe('');
  expect(clockWords(EVENING, HERE)).not.toMatch(/time/);
  expect(clockWords(EVENING, 'Pacific/Chatham')).toBe('06:50 Chatham time');
  expect(clockSpanWords(EVENING, EVENING + 2_700_000, 'America/St_Johns')).toBe('15:35 to 16:20 St Johns time');
  expect(clockWords(EVENING, 'Etc/GMT+11')).toBe('07:05 Etc/GMT+11');
});

describe('dates and times are written as the runtime writes them (Unicode CLDR)', () => {
  const zones = fc.constantFrom(
    'UTC',
    'Europe/Lisbon',
    'America/St_Johns',
    'Pacific/Chatham',
    'Asia/Kathmandu',
    'America/New_York',
  );
  const instants = fc.integer({ min: Date.UTC(1970, 0, 8), max: Date.UTC(2100, 0, 1) });
  const written = (ms: number, options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(shownLocale().dates, options).format(ms).replaceAll(/[\u00a0\u202f]/g, ' ');
  const plain = (text: string) => text.replaceAll('\u00a0', ' ');
  const clock = { hour: 'numeric', minute: '2-digit' } as const;

  test.each(['en-GB', 'en-US', 'en-AU', 'en-US-u-hc-h23'])('%s', (tag) => {
    followLocale(tag);
    const { twelveHours } = shownLocale();
    const cycle = twelveHours ? ({ hourCycle: 'h12' } as const) : ({ hourCycle: 'h23', hour: '2-digit' } as const);
    fc.assert(
      fc.property(instants, instants, zones, (ms, other, timeZone) => {
        const short = { day: 'numeric', month: 'short', timeZone } as const;
        const sameYear = written(ms, { year: 'numeric', timeZone }) === written(other, { year: 'numeric', timeZone });
        expect(fullDateWords(timeZone)(ms)).toBe(written(ms, { ...short, year: 'numeric' }));
        expect(dateWords(ms, other, timeZone)).toBe(written(ms, { ...short, year: sameYear ? undefined : 'numeric' }));
        expect(monthWords(ms)).toBe(written(ms, { month: 'short', year: 'numeric', timeZone: 'UTC' }));
        const time = written(ms, { ...clock, ...cycle, timeZone });
        expect(plain(clockSpanWords(ms, ms, timeZone)).startsWith(`${time} to ${time}`)).toBe(true);
        const weekday = written(ms, { weekday: 'short', timeZone });
        expect(plain(asOfWords(ms, timeZone)).startsWith(`As of ${weekday} ${time}`)).toBe(true);
        expect(dayWords(ms, ms + 3 * 86_400_000, timeZone)).toBe(`on ${written(ms, { weekday: 'long', timeZone })}`);
      }),
      { numRuns: 100 },
    );
    for (let hour = 0; hour < 24; hour++) {
      const minute = twelveHours ? {} : ({ minute: '2-digit' } as const);
      const ms = hour * 3_600_000;
      expect(plain(hourWords(hour))).toBe(written(ms, { hour: 'numeric', ...minute, ...cycle, timeZone: 'UTC' }));
    }
    for (let month = 0; month < 12; month++)
      expect(monthName(month)).toBe(written(Date.UTC(2026, month, 15), { month: 'short', timeZone: 'UTC' }));
  });
});

describe('what the browser is set to', () => {
  /** The app opened anew, in a browser set to a language. @returns what is written, and whether the browser was asked for it */
  function open(language: string) {
    const asked = jest.spyOn(Intl, 'DateTimeFormat');
    Object.defineProperty(navigator, 'language', { value: language, configurable: true });
    let shown: unknown;
    jest.isolateModules(() => {
      shown = (jest.requireActual('./locale') as { shownLocale: typeof shownLocale }).shownLocale();
    });
    const times = asked.mock.calls.length;
    asked.mockRestore();
    Reflect.deleteProperty(navigator, 'language');
    return { shown, asked: times > 0 };
  }
  const german = { dates: 'en-GB', twelveHours: false, decimal: ',', tag: 'de-DE' };

  afterEach(() => {
    jest.restoreAllMocks();
    localStorage.clear();
  });

  test('is asked once, and again where it is set to another language', () => {
    expect(open('de-DE')).toEqual({ shown: german, asked: true });
    expect(open('de-DE')).toEqual({ shown: german, asked: false });
    expect(open('en-US')).toEqual({
      shown: { dates: 'en-US', twelveHours: true, decimal: '.', tag: 'en-US' },
      asked: true,
    });
  });

  test('is asked again where what was kept cannot be read, or nothing can be kept', () => {
    open('de-DE');
    const [key] = Object.keys(localStorage);
    localStorage.setItem(key!, '{"of":');
    expect(open('de-DE')).toEqual({ shown: german, asked: true });
    expect(open('de-DE').asked).toBe(false);
    localStorage.clear();
    jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full');
    });
    expect(open('de-DE')).toEqual({ shown: german, asked: true });
    expect(open('de-DE').asked).toBe(true);
  });

  test('is asked where the browser lets nobody at what it keeps', () => {
    const refused = jest.spyOn(window, 'localStorage', 'get').mockImplementation(() => {
      throw new DOMException('blocked', 'SecurityError');
    });
    expect(open('de-DE')).toEqual({ shown: german, asked: true });
    expect(refused).toHaveBeenCalled();
  });

  test('is plain English where it says nothing that is a language', () => {
    expect(open('not a tag').shown).toMatchObject({ dates: 'en-GB', decimal: '.' });
  });
});
