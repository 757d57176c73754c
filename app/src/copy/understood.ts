import type { LoggerPlan, LoggerPreview } from '@tembrin/contract';
import { clockWords, dateWords, lastingWords } from './dates';
import { listWords } from './lists';
import { humidityWords, temperatureWords, type TemperatureUnit } from './measures';
import { shownUnits } from './units';
import type { Oddity } from '@tembrin/core/air';

const ORDERS: Readonly<Record<LoggerPlan['order'], string>> = {
  dmy: 'the day before the month',
  mdy: 'the month before the day',
  ymd: 'the year first',
  iso: 'with the offset from UTC that stands behind it',
  epoch: 'in seconds since 1970',
};

/** How each column of a logger's file is understood, in sentences. @param columns their heads */
export function understoodWords(plan: LoggerPlan, columns: readonly string[], timeZone: string): string[] {
  const head = (at: number) => `“${columns[at] ?? `Column ${at + 1}`}”`;
  const { date, clock, rh, temp, tempUnit, rhUnit, order } = plan;
  const used = [date, clock, rh, temp];
  const others = columns.flatMap((_title, at) => (used.includes(at) ? [] : [head(at)]));
  const own = order === 'iso' || order === 'epoch';
  const when = `${clock === null ? `${head(date)} is date and time` : `${head(date)} is the date, ${head(clock)} the time of day`}, ${ORDERS[order]}`;
  return [
    own ? `${when}.` : `${when}; as clocks in ${timeZone} show it, where a cell gives no offset of its own.`,
    `${head(rh)} is the relative humidity, ${rhUnit === 'percent' ? 'in percent' : 'as a fraction of one'}.`,
    temp === null ? 'No temperature is taken.' : `${head(temp)} is the temperature, in °${tempUnit}.`,
    ...(others.length > 0 ? [`${listWords(others)} ${others.length === 1 ? 'is' : 'are'} left out.`] : []),
  ];
}

type Course = NonNullable<LoggerPreview['course']>;

/** From when to when, in which steps, between which values. */
export function courseWords(course: Course, timeZone: string, unit: TemperatureUnit): string {
  const { fromS, toS, stepS, rhHundredths, tempHundredths } = course;
  const at = (seconds: number) => `${dateWords(seconds * 1000, 0, timeZone)}, ${clockWords(seconds * 1000, timeZone)}`;
  const steps = stepS === null || stepS === 0 ? '' : `, one every ${lastingWords(stepS * 1000)}`;
  const range = ([low, high]: readonly [number, number], say: (value: number) => string) =>
    `${say(low / 100)} to ${say(high / 100)}`;
  const temps = tempHundredths && `, ${range(tempHundredths, (value) => temperatureWords(value, unit))}`;
  return `From ${at(fromS)} to ${at(toS)}${steps}: ${range(rhHundredths, (value) => humidityWords(value / 100, 1))}${temps ?? ''}.`;
}

const times = (count: number) => (count === 1 ? 'once' : `${count} times`);

const ODD: Readonly<Record<Oddity, (count: number) => string>> = {
  jumps: (count) =>
    `The humidity jumps by more than 25 within an hour, ${times(count)}: was the device carried about, or are there two in the file?`,
  gaps: (count) => `There is a gap between readings, ${times(count)}.`,
  'stands-still': (count) => `The humidity stands still for half a day or longer, ${times(count)}: is the sensor well?`,
  temperature: (count) =>
    `The temperature lies outside ${temperatureWords(0, shownUnits().temperatures, 0)} to ${temperatureWords(40, shownUnits().temperatures, 0)}, ${times(count)}: is it the right column, in the right unit?`,
  'to-and-fro': (count) => `The times go to and fro, ${times(count)}: is the order of the date right?`,
};

/** What is odd about the readings of a file, in sentences. */
export const oddWords = ({ odd }: Course): string[] => odd.map(({ code, count }) => ODD[code](count));
