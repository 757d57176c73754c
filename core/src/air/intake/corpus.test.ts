import Papa from 'papaparse';
import { guessDelimiter, type Row } from '../../tables';
import { MINUTE_MS } from '../../time';
import { fahrenheitOf } from '../../units';
import { commasInNumbers, guessPlan, lineReader, planGaps, type ColumnPlan, type GuessedPlan } from '.';

/**
 * Exports in the manner of loggers, made from the ways in which they differ, each with its truth: what is read without a
 * question is right to the second and the hundredth; what could be read in two ways is asked, or refused with a sentence.
 */

const ZONE = 'Europe/Lisbon';
const NOW = Date.parse('2026-11-20T12:00:00Z');
const pad = (value: number, digits = 2) => String(value).padStart(digits, '0');

interface Truth {
  at: number;
  percent: number;
  tempC: number;
}

/** Readings of a day in which clocks went back, every ten minutes; or of some days in March. */
function readings(autumn: boolean, count = 90): Truth[] {
  const from = Date.parse(autumn ? '2026-10-24T20:00:00Z' : '2026-03-14T06:00:00Z');
  return Array.from({ length: count }, (_, at) => ({
    at: from + at * 10 * MINUTE_MS,
    percent: 45 + ((at * 7) % 90) / 10,
    tempC: 19 + ((at * 3) % 40) / 10,
  }));
}

const wall = new Intl.DateTimeFormat('en-GB', {
  timeZone: ZONE,
  year: 'numeric',
  month: 'numeric',
  day: 'numeric',
  hour: 'numeric',
  minute: 'numeric',
  hourCycle: 'h23',
});
const WALL = { timeZone: 'UTC' };

interface Parts {
  y: number;
  mo: number;
  d: number;
  h: number;
  mi: number;
}
function partsOf(at: number, utc: boolean): Parts {
  const format = utc ? new Intl.DateTimeFormat('en-GB', { ...wall.resolvedOptions(), ...WALL } as object) : wall;
  const found = Object.fromEntries(format.formatToParts(at).map(({ type, value }) => [type, Number(value)]));
  return { y: found.year!, mo: found.month!, d: found.day!, h: found.hour! % 24, mi: found.minute! };
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** How a date is written, the order it is read in, and whether the file alone must tell: `asked` where it cannot. */
const DATES: Readonly<Record<string, { write: (p: Parts) => string; order: ColumnPlan['order'] }>> = {
  iso: { write: ({ y, mo, d }) => `${y}-${pad(mo)}-${pad(d)}`, order: 'ymd' },
  slashed: { write: ({ y, mo, d }) => `${y}/${mo}/${d}`, order: 'ymd' },
  compact: { write: ({ y, mo, d }) => `${y}${pad(mo)}${pad(d)}`, order: 'ymd' },
  german: { write: ({ y, mo, d }) => `${pad(d)}.${pad(mo)}.${y}`, order: 'dmy' },
  spaced: { write: ({ y, mo, d }) => `${d}. ${mo}. ${y}`, order: 'dmy' },
  british: { write: ({ y, mo, d }) => `${d}/${mo}/${y}`, order: 'dmy' },
  american: { write: ({ y, mo, d }) => `${mo}/${d}/${y}`, order: 'mdy' },
  named: { write: ({ y, mo, d }) => `${d} ${MONTHS[mo - 1]} ${y}`, order: 'dmy' },
  nameFirst: { write: ({ y, mo, d }) => `${MONTHS[mo - 1]} ${d} ${y}`, order: 'dmy' },
  weekday: { write: ({ y, mo, d }) => `Sat ${d}.${mo}.${y}`, order: 'dmy' },
  signs: { write: ({ y, mo, d }) => `${y}年${mo}月${d}日`, order: 'ymd' },
  shortGerman: { write: ({ y, mo, d }) => `${pad(d)}.${pad(mo)}.${pad(y % 100)}`, order: 'dmy' },
  shortAmerican: { write: ({ y, mo, d }) => `${mo}/${d}/${pad(y % 100)}`, order: 'mdy' },
  shortYearFirst: { write: ({ y, mo, d }) => `${pad(y % 100)}-${pad(mo)}-${pad(d)}`, order: 'ymd' },
};
const twelve = (h: number) => h % 12 || 12;
const CLOCKS: Readonly<Record<string, (p: Parts) => string>> = {
  plain: ({ h, mi }) => `${pad(h)}:${pad(mi)}`,
  seconds: ({ h, mi }) => `${h}:${pad(mi)}:00`,
  thousandths: ({ h, mi }) => `${pad(h)}:${pad(mi)}:00.000`,
  dotted: ({ h, mi }) => `${pad(h)}.${pad(mi)}`,
  run: ({ h, mi }) => `${pad(h)}${pad(mi)}`,
  french: ({ h, mi }) => `${pad(h)}h${pad(mi)}`,
  am: ({ h, mi }) => `${twelve(h)}:${pad(mi)} ${h < 12 ? 'AM' : 'PM'}`,
  spanish: ({ h, mi }) => `${twelve(h)}:${pad(mi)} ${h < 12 ? 'a. m.' : 'p. m.'}`,
  pointed: ({ h, mi }) => `${pad(twelve(h))}:${pad(mi)}:00 ${h < 12 ? 'a.m.' : 'p.m.'}`,
  glued: ({ h, mi }) => `${twelve(h)}:${pad(mi)}${h < 12 ? 'am' : 'pm'}`,
  japanese: ({ h, mi }) => `${h < 12 ? '午前' : '午後'}${twelve(h)}:${pad(mi)}`,
};
/** Behind the time; those that name an offset show UTC, or what is two hours ahead of it. */
const OFFSETS: Readonly<Record<string, { text: string; aheadMin: number | null }>> = {
  none: { text: '', aheadMin: null },
  z: { text: 'Z', aheadMin: 0 },
  utc: { text: ' UTC', aheadMin: 0 },
  zero: { text: ' +00:00', aheadMin: 0 },
  two: { text: '+0200', aheadMin: 120 },
  gmt: { text: ' GMT+2', aheadMin: 120 },
};

type Extra = { head: string; cell: (truth: Truth, at: number) => string };
const EXTRAS: Readonly<Record<string, Extra>> = {
  none: { head: '', cell: () => '' },
  battery: { head: 'Battery (%)', cell: (_truth, at) => String(100 - Math.floor(at / 30)) },
  absolute: { head: 'Absolute humidity (g/m³)', cell: ({ percent }) => (percent / 5.5).toFixed(1) },
  dew: { head: 'Dew point °C', cell: ({ tempC }) => (tempC - 11).toFixed(1) },
  vpd: { head: 'VPD (kPa)', cell: () => '1.2' },
  serial: { head: 'No.', cell: (_truth, at) => String(at + 1) },
};
const HEADS: Readonly<Record<string, readonly [date: string, clock: string, rh: string, temp: string]>> = {
  english: ['Date', 'Time', 'Relative Humidity (%)', 'Temperature (°C)'],
  short: ['Timestamp', 'Clock', 'RH', 'T (°C)'],
  german: ['Datum', 'Uhrzeit', 'rel. Feuchte [%]', 'Temperatur [°C]'],
  french: ['Date', 'Heure', 'Humidité relative (%)', 'Température (°C)'],
  spanish: ['Fecha', 'Hora', 'Humedad (%HR)', 'Temperatura (℃)'],
  chinese: ['日期', '时间', '湿度(%)', '温度(℃)'],
  unknown: ['Aika', 'x', 'H1', 'T1'],
};
const TEMPS = ['head', 'fahrenheit-head', 'cells', 'fahrenheit-cells', 'full-width'] as const;

interface Variant {
  date: keyof typeof DATES;
  clock: keyof typeof CLOCKS;
  offset: keyof typeof OFFSETS;
  extra: keyof typeof EXTRAS;
  heads: keyof typeof HEADS;
  temps: (typeof TEMPS)[number];
  delimiter: ',' | ';' | '\t';
  decimal: '.' | ',';
  quoted: boolean;
  apart: boolean;
  newestFirst: boolean;
  autumn: boolean;
  preamble: boolean;
  newline: boolean;
}

/** Cycles through every way of each axis, each at its own pace, so that pairs of them meet. */
function variants(count: number): Variant[] {
  const pick = <T>(from: readonly T[], at: number, pace: number): T => from[Math.floor(at / pace) % from.length]!;
  const keys = <K extends object>(of: K) => Object.keys(of) as (keyof K & string)[];
  return Array.from({ length: count }, (_, at) => ({
    date: pick(keys(DATES), at, 1),
    clock: pick(keys(CLOCKS), at, 1),
    offset: pick(keys(OFFSETS), at * 5 + 1, 7),
    extra: pick(keys(EXTRAS), at, 2),
    heads: pick(keys(HEADS), at, 3),
    temps: pick(TEMPS, at, 4),
    delimiter: pick([',', ';', '\t'] as const, at, 5),
    decimal: pick(['.', ','] as const, at, 9),
    quoted: pick([false, true], at, 13),
    apart: pick([false, true, false], at, 11),
    newestFirst: pick([false, false, true], at, 8),
    autumn: pick([false, true], at, 6),
    preamble: pick([false, true], at, 10),
    newline: pick([true, false], at, 3),
  }));
}

/** The file of a variant, and the plan by which it is truly to be read. */
function fileOf(variant: Variant): {
  text: string;
  truth: Truth[];
  plan: Pick<ColumnPlan, 'order' | 'tempUnit'>;
  columns: string[];
} {
  const { date, clock, heads, extra, temps, delimiter, decimal, quoted, apart } = variant;
  const { aheadMin, text: offset } = OFFSETS[variant.offset]!;
  // A place that names no offset shows its own wall.
  const shown = (at: number) => (aheadMin === null ? partsOf(at, false) : partsOf(at + aheadMin * MINUTE_MS, true));
  // Behind letters a single letter is set apart, as people and programs do.
  const behind = (time: string) => (/\p{L}\.?$/u.test(time) && /^\p{L}/u.test(offset) ? ` ${offset}` : offset);
  const own = readings(variant.autumn);
  const truth = variant.newestFirst ? own.toReversed() : own;
  const mark = (text: string) => (decimal === ',' ? text.replace('.', ',') : text);
  const fahrenheit = temps.startsWith('fahrenheit');
  const degrees = ({ tempC }: Truth) => mark((fahrenheit ? fahrenheitOf(tempC) : tempC).toFixed(2));
  const tempCell = (each: Truth) => {
    if (temps === 'cells') return `${degrees(each)} °C`;
    if (temps === 'fahrenheit-cells') return `${degrees(each)}°F`;
    const wide = (text: string) => [...text].map((sign) => String.fromCharCode(sign.charCodeAt(0) + 0xfee0)).join('');
    return temps === 'full-width' ? wide(degrees(each)) : degrees(each);
  };
  const [dateHead, clockHead, rhHead, tempHead] = HEADS[heads]!;
  const tempHeadIn =
    temps === 'fahrenheit-head' ? 'Temperature °F' : temps.includes('cells') ? 'Temperature' : tempHead;
  const columns = [
    ...(apart ? [dateHead, clockHead] : [dateHead]),
    ...(extra === 'none' ? [] : [EXTRAS[extra]!.head]),
    rhHead,
    tempHeadIn,
  ];
  const cells = truth.map((each, at) => {
    const parts = shown(each.at);
    const [day, time] = [DATES[date]!.write(parts), CLOCKS[clock]!(parts)];
    const more = extra === 'none' ? [] : [mark(EXTRAS[extra]!.cell(each, at))];
    return [
      ...(apart ? [day, `${time}${behind(time)}`] : [`${day} ${time}${behind(time)}`]),
      ...more,
      mark(each.percent.toFixed(1)),
      tempCell(each),
    ];
  });
  const line = (row: readonly string[]) =>
    row.map((cell) => (quoted || (delimiter !== ',' && cell.includes(delimiter)) ? `"${cell}"` : cell)).join(delimiter);
  const preamble = variant.preamble ? ['Logger 7', 'Serial 0042', ''] : [];
  const text = [...preamble, line(columns), ...cells.map(line)].join('\r\n') + (variant.newline ? '\r\n' : '');
  return { text, truth, plan: { order: DATES[date]!.order, tempUnit: fahrenheit ? 'F' : 'C' }, columns };
}

type Outcome = 'right' | 'asked' | 'refused' | 'wrong';

/** Takes a file as Tembrin does: guessed, what is open answered truly, read. */
function outcomeOf(variant: Variant): { outcome: Outcome; why: string } {
  const { text, truth, plan, columns } = fileOf(variant);
  const lines = text.split('\r\n').filter((line) => line !== '');
  const delimiter = guessDelimiter(lines);
  if (delimiter === null) return { outcome: 'refused', why: 'no table' };
  const rows = Papa.parse<string[]>(text, { delimiter }).data as Row[];
  const guess: GuessedPlan = guessPlan(rows);
  if (commasInNumbers(rows, guess.skip, delimiter)) return { outcome: 'refused', why: 'decimal commas' };
  const gaps = planGaps(guess);
  const rh = columns.length - 2;
  const answers: Partial<ColumnPlan> = {
    order: plan.order,
    rh,
    date: 0,
    rhUnit: 'percent',
    tempUnit: plan.tempUnit,
  };
  const asked = Object.fromEntries(gaps.map((gap) => [gap, answers[gap]]));
  const read = lineReader({ ...guess, ...asked } as ColumnPlan, ZONE, NOW);
  const body = rows.slice(guess.skip).filter((cells) => cells.some((cell) => cell !== ''));
  const results = body.map((cells) => read(cells));
  const faults = results.filter((each) => typeof each === 'string');
  if (faults.length > Math.max(10, 0.05 * results.length)) return { outcome: 'refused', why: String(faults[0]) };
  for (const [at, result] of results.entries()) {
    if (typeof result === 'string') continue;
    const { at: trueAt, percent, tempC } = truth[at]!;
    const temp = result.tempHundredths === null ? tempC : result.tempHundredths / 100;
    const right =
      result.atS * 1000 === trueAt &&
      Math.abs(result.rhHundredths / 100 - percent) < 0.006 &&
      Math.abs(temp - tempC) < 0.02;
    if (!right) return { outcome: 'wrong', why: `${JSON.stringify(body[at])} as ${JSON.stringify(result)}` };
  }
  return gaps.length > 0 ? { outcome: 'asked', why: gaps.join() } : { outcome: 'right', why: '' };
}

const ALL = variants(420);
const outcomes = ALL.map((variant) => ({ variant, ...outcomeOf(variant) }));
const counted = (of: Outcome) => outcomes.filter(({ outcome }) => outcome === of);

test('of all ways to write a logger’s file none is read wrongly without a word', () => {
  expect(counted('wrong').map(({ variant, why }) => [variant, why])).toEqual([]);
});

test('most are read without a question, and refusals are few', () => {
  expect(counted('right').length).toBeGreaterThan(0.5 * ALL.length);
  expect(
    counted('refused')
      .map(({ why }) => why)
      .filter((why) => why !== 'decimal commas'),
  ).toEqual([]);
});

test('what can be read in two ways is asked: years of two digits, heads that say nothing, days and months below thirteen', () => {
  const shorts = outcomes.filter(({ variant }) => variant.date.startsWith('short'));
  expect(shorts.length).toBeGreaterThan(50);
  for (const { outcome } of shorts) expect(['asked', 'refused']).toContain(outcome);
  for (const { outcome } of outcomes.filter(({ variant }) => variant.heads === 'unknown'))
    expect(['asked', 'refused']).toContain(outcome);
});

test('numbers with decimal commas between commas are refused, not cut in two', () => {
  const bare = outcomes.filter(
    ({ variant: { decimal, delimiter, quoted } }) => decimal === ',' && delimiter === ',' && !quoted,
  );
  expect(bare.length).toBeGreaterThan(10);
  for (const { outcome, why } of bare) expect([outcome, why]).toEqual(['refused', 'decimal commas']);
});
