import type { LoggerPlan, LoggerPreview } from '@tembrin/contract';
import { courseWords, oddWords, understoodWords } from './understood';
import { ODDITIES } from '@tembrin/core/air';

const plan: LoggerPlan = {
  delimiter: ';',
  skip: 1,
  date: 0,
  clock: null,
  rh: 2,
  temp: 3,
  order: 'dmy',
  tempUnit: 'F',
  rhUnit: 'percent',
};
const course: NonNullable<LoggerPreview['course']> = {
  fromS: Date.UTC(2026, 2, 14, 10) / 1000,
  toS: Date.UTC(2026, 2, 15, 10) / 1000,
  stepS: 600,
  rhHundredths: [4400, 5210],
  tempHundredths: [1900, 2350],
  odd: ODDITIES.map((code) => ({ code, count: 2 })),
};

test('how a file is understood is said of every column', () => {
  expect(understoodWords(plan, ['Time', 'Battery', 'RH', 'Temp'], 'Europe/Lisbon')).toEqual([
    '“Time” is date and time, the day before the month; as clocks in Europe/Lisbon show it, where a cell gives no offset of its own.',
    '“RH” is the relative humidity, in percent.',
    '“Temp” is the temperature, in °F.',
    '“Battery” is left out.',
  ]);
  const bare = understoodWords(
    { ...plan, clock: 1, temp: null, order: 'iso', rhUnit: 'fraction' },
    ['A', 'B', 'C'],
    'UTC',
  );
  expect(bare[0]).toMatch(/^“A” is the date, “B” the time of day, with the offset/);
  expect(bare.slice(1)).toEqual(['“C” is the relative humidity, as a fraction of one.', 'No temperature is taken.']);
});

test('from when to when, in which steps, between which values, in the unit of this device', () => {
  expect(courseWords(course, 'UTC', 'C')).toBe(
    'From 14 Mar 2026, 10:00 to 15 Mar 2026, 10:00, one every 10 minutes: 44.0 % to 52.1 %, 19.0 °C to 23.5 °C.',
  );
  expect(courseWords({ ...course, stepS: null, tempHundredths: null }, 'UTC', 'F')).toMatch(
    /10:00: 44\.0 % to 52\.1 %\.$/,
  );
});

test('whatever is odd has its sentence', () => {
  const said = oddWords(course);
  expect(new Set(said).size).toBe(ODDITIES.length);
  for (const sentence of said) expect(sentence).toMatch(/2 times/);
  expect(oddWords({ ...course, odd: [{ code: 'gaps', count: 1 }] })[0]).toMatch(/once/);
});
