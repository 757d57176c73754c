import { afterEach, expect, test } from '@jest/globals';
import { clockSpanWords, clockWords, dateWords, foreignZone, hourWords, monthWords } from './dates';
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
