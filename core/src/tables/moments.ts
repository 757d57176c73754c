import { plainMoment } from './plain';

/** A date and perhaps a time of day as they stand in a cell; nothing of the cell is left over. */
export interface WrittenMoment {
  /** Numbers of the date in the order in which they stand; null where the cell holds only a time of day. */
  date: readonly [number, number, number] | null;
  /** Place of the number that has four digits, as only a year has; null where none has. */
  year: 0 | 1 | 2 | null;
  /** The month was named: it stands in the middle of `date`, whichever way round the others are. */
  named: boolean;
  /** Seconds since midnight; null where there is only a date. */
  clockS: number | null;
  /** Minutes ahead of UTC, where the cell says so; null where its place's wall clock is meant. */
  offsetMin: number | null;
}

const LONGEST_WORD = 12;
const [SPACE, DOT, COMMA, COLON, SLASH, DASH, PLUS] = [32, 46, 44, 58, 47, 45, 43];
const isDigit = (code: number) => code >= 48 && code <= 57;

/** Walks along a short text; every method that finds nothing leaves the place as it was. */
class Walk {
  at = 0;
  constructor(readonly text: string) {}

  get code(): number {
    return this.text.charCodeAt(this.at);
  }
  get done(): boolean {
    return this.at >= this.text.length;
  }
  spaces(): boolean {
    const before = this.at;
    while (this.code === SPACE) this.at++;
    return this.at > before;
  }
  /** A run of digits and how many they are; null where there is none, or more than `most`. */
  number(most: number): { value: number; digits: number } | null {
    let [end, value] = [this.at, 0];
    for (; isDigit(this.text.charCodeAt(end)); end++) value = value * 10 + this.text.charCodeAt(end) - 48;
    const digits = end - this.at;
    if (digits === 0 || digits > most) return null;
    this.at = end;
    return { value, digits };
  }
  /** One of some signs. */
  sign(...codes: readonly number[]): number | null {
    if (!codes.includes(this.code)) return null;
    return this.text.charCodeAt(this.at++);
  }
  /** A run of letters, in small letters; empty where there is none. */
  word(): string {
    let end = this.at;
    while (end < this.text.length && /\p{L}/u.test(this.text[end]!)) end++;
    const word = this.text.slice(this.at, end).toLowerCase();
    if (word.length > LONGEST_WORD) return '';
    this.at = end;
    return word;
  }
  /** A certain word. */
  says(...words: readonly string[]): string | null {
    const before = this.at;
    const word = this.word();
    if (word !== '' && words.includes(word)) return word;
    this.at = before;
    return null;
  }
}

type DatePart = Pick<WrittenMoment, 'year' | 'named'> & { date: [number, number, number] };

const MONTH_NAMES = 'january february march april may june july august september october november december'.split(' ');

/** The number of a month by its English name or a beginning of it of three letters or more; 0 where it is none. */
const monthOf = (word: string): number =>
  word.length < 3 ? 0 : word === 'sept' ? 9 : MONTH_NAMES.findIndex((name) => name.startsWith(word)) + 1;

/** A separator between the numbers of a date, spaces about it. */
function between(walk: Walk): boolean {
  const spaced = walk.spaces();
  const sign = walk.sign(DASH, DOT, SLASH, COMMA);
  return walk.spaces() || sign !== null || spaced;
}

/** 14.3.2026, 2026-03-14, 14 Mar 2026, Mar 14, 2026, 20260314. */
function datePart(walk: Walk): DatePart | null {
  const start = walk.at;
  const fail = () => {
    walk.at = start;
    return null;
  };
  const lead = walk.word();
  const month = monthOf(lead);
  if (lead !== '') {
    // A weekday before the date says nothing that the date does not.
    walk.sign(DOT, COMMA);
    walk.spaces();
    if (month > 0) {
      const day = walk.number(2);
      if (!day || !between(walk)) return fail();
      const year = walk.number(4);
      if (year?.digits !== 4) return fail();
      return { date: [day.value, month, year.value], year: 2, named: true };
    }
  }
  const first = walk.number(8);
  if (!first) return fail();
  if (first.digits === 8) {
    const { value } = first;
    return { date: [Math.floor(value / 10_000), Math.floor(value / 100) % 100, value % 100], year: 0, named: false };
  }
  if (first.digits > 4 || first.digits === 3) return fail();
  const gap = between(walk);
  const name = monthOf(walk.word());
  const middle = name > 0 ? { value: name, digits: 2 } : walk.number(2);
  if (!middle || (!gap && name === 0)) return fail();
  if (!between(walk) && name === 0) return fail();
  const last = walk.number(4);
  if (!last || last.digits === 3 || (first.digits === 4 && last.digits === 4)) return fail();
  const year = first.digits === 4 ? 0 : last.digits === 4 ? 2 : null;
  return { date: [first.value, middle.value, last.value], year, named: name > 0 };
}

const MORNING = ['午前', '上午', '오전'];
const EVENING = ['午後', '下午', '오후'];

/** a.m. and p.m. in whatever spelling: "AM", "p. m.", "a.m."; null where there is none. */
function halfDay(walk: Walk): 'a' | 'p' | null {
  const start = walk.at;
  walk.spaces();
  const word = walk.says('am', 'pm', 'a', 'p', ...MORNING, ...EVENING);
  if (word === 'a' || word === 'p') {
    walk.sign(DOT);
    walk.spaces();
    if (walk.says('m') === null) {
      walk.at = start;
      return null;
    }
  }
  if (word === null) {
    walk.at = start;
    return null;
  }
  walk.sign(DOT);
  return word.startsWith('a') || MORNING.includes(word) ? 'a' : 'p';
}

/** Minutes and seconds behind an hour: ":30", ".30:15", "h30", " h 30 min"; null where the hour stands alone. */
function minutesPart(walk: Walk): { minute: number; second: number } | null {
  const start = walk.at;
  walk.spaces();
  const lettered = walk.says('h', 'hrs', 'hr', 'u', 'kl') !== null;
  if (lettered) walk.spaces();
  else if (walk.sign(COLON, DOT) === null) {
    walk.at = start;
    return null;
  }
  const minute = walk.number(2);
  if (!minute) return lettered ? { minute: 0, second: 0 } : null;
  if (minute.digits !== 2) return null;
  walk.says('m', 'min');
  const beforeSecond = walk.at;
  if (walk.sign(COLON, DOT) === null) return { minute: minute.value, second: 0 };
  const second = walk.number(2);
  if (second?.digits !== 2) {
    walk.at = beforeSecond;
    return { minute: minute.value, second: 0 };
  }
  walk.says('s', 'sec');
  if (walk.sign(DOT, COMMA, COLON) !== null) walk.number(9);
  return { minute: minute.value, second: second.value };
}

/** 10:30, 10.30:15, 20h30, 1030, 7:05 p. m.; seconds since midnight. */
function clockPart(walk: Walk): number | null {
  const start = walk.at;
  const fail = () => {
    walk.at = start;
    return null;
  };
  const before = halfDay(walk);
  walk.spaces();
  const lead = walk.number(6);
  if (!lead || lead.digits === 3 || lead.digits === 5) return fail();
  let { value: hour } = lead;
  let rest = { minute: 0, second: 0 };
  if (lead.digits > 2) {
    const seconds = lead.digits === 6 ? hour % 100 : 0;
    if (lead.digits === 6) hour = Math.floor(hour / 100);
    rest = { minute: hour % 100, second: seconds };
    hour = Math.floor(hour / 100);
  } else {
    const found = minutesPart(walk);
    const half = before ?? (found ? null : halfDay(walk));
    if (!found && half === null) return fail();
    if (!found) return secondsOf(hour, rest, half) ?? fail();
    rest = found;
  }
  return secondsOf(hour, rest, before ?? halfDay(walk)) ?? fail();
}

function secondsOf(
  hour: number,
  { minute, second }: { minute: number; second: number },
  half: 'a' | 'p' | null,
): number | null {
  if (minute > 59 || second > 60) return null;
  if (half === null) return hour > 23 ? null : hour * 3600 + minute * 60 + second;
  if (hour < 1 || hour > 12) return null;
  return ((hour % 12) + (half === 'p' ? 12 : 0)) * 3600 + minute * 60 + second;
}

/** Z, UTC, +01:00, -0500, GMT+2, in brackets or not; undefined where it is none that can be told. */
function offsetPart(walk: Walk): number | null | undefined {
  walk.spaces();
  if (walk.done) return null;
  const bracket = walk.sign(40) !== null;
  const zulu = walk.says('z', 'utc', 'gmt') !== null;
  const sign = walk.sign(PLUS, DASH);
  let minutes = 0;
  if (sign !== null) {
    const found = walk.number(4);
    if (!found || found.digits === 3) return undefined;
    const short = found.digits < 3;
    const [hours, more] = short ? [found.value, 0] : [Math.floor(found.value / 100), found.value % 100];
    const parts = short && walk.sign(COLON) !== null ? walk.number(2) : null;
    minutes = (hours * 60 + (parts?.value ?? more)) * (sign === PLUS ? 1 : -1);
    if (Math.abs(minutes) > 14 * 60) return undefined;
  } else if (!zulu) return undefined;
  if (bracket && walk.sign(41) === null) return undefined;
  walk.spaces();
  return walk.done ? minutes : undefined;
}

/**
 * Reads a cell as a date, a time of day, or both, perhaps with an offset from UTC. It is read only where nothing of it is left
 * over: a sign that is not understood may be what the rest means.
 * @returns null where it is none
 * @example momentIn('14.3.2026 7:05 p. m.').clockS // 68700
 */
export function momentIn(text: string): WrittenMoment | null {
  return numbersOnly(text) ?? carefully(text);
}

/** Numbers read last, and how many digits each had: filled anew at each cell, as half a million of them are read in a file. */
const NUMBERS = [0, 0, 0, 0, 0, 0];
const DIGITS = [0, 0, 0, 0, 0, 0];
/** What ends each of the six numbers of a date and a time. */
const ENDS: readonly (readonly number[])[] = [
  [DASH, DOT, SLASH],
  [DASH, DOT, SLASH],
  [SPACE, 84],
  [COLON],
  [COLON],
  [],
];

/**
 * The same, and quicker, of what most files have: three numbers, a space or a T, two or three numbers with colons between.
 * @returns null where the cell is anything else
 */
function numbersOnly(text: string): WrittenMoment | null {
  let [count, value, digits] = [0, 0, 0];
  if (text.length > 19) return null;
  for (let at = 0; at <= text.length; at++) {
    const code = at < text.length ? text.charCodeAt(at) : -1;
    if (isDigit(code)) {
      value = value * 10 + code - 48;
      digits++;
      continue;
    }
    if (digits === 0 || count > 5 || (code >= 0 && !ENDS[count]!.includes(code))) return null;
    NUMBERS[count] = value;
    DIGITS[count++] = digits;
    [value, digits] = [0, 0];
  }
  const [first, , last, hours, minutes, seconds] = DIGITS as [number, number, number, number, number, number];
  if (count < 5 || hours > 2 || minutes !== 2 || (count === 6 && seconds !== 2)) return null;
  const year = first === 4 ? 0 : last === 4 ? 2 : null;
  if (DIGITS[1]! > 2 || (year !== 0 && first > 2) || (year !== 2 && last > 2)) return null;
  const [a, b, c, hour, minute, second] = NUMBERS as [number, number, number, number, number, number];
  const clockS = secondsOf(hour, { minute, second: count === 6 ? second : 0 }, null);
  return clockS === null ? null : { date: [a, b, c], year, named: false, clockS, offsetMin: null };
}

function carefully(text: string): WrittenMoment | null {
  const walk = new Walk(plainMoment(text));
  if (walk.done) return null;
  const found = datePart(walk);
  if (found) {
    walk.spaces();
    if (walk.done) return { ...found, clockS: null, offsetMin: null };
    walk.sign(COMMA, DASH, 95);
    walk.says('t');
    walk.spaces();
  }
  const clockS = clockPart(walk);
  if (clockS === null) return null;
  const offsetMin = offsetPart(walk);
  if (offsetMin === undefined) return null;
  return { date: null, year: null, named: false, ...found, clockS, offsetMin };
}

/**
 * Reads a cell that holds a time of day alone.
 * @returns seconds since midnight; null where it is none
 * @example clockIn('20h30').clockS // 73800
 */
export function clockIn(text: string): Pick<WrittenMoment, 'clockS' | 'offsetMin'> | null {
  const walk = new Walk(plainMoment(text));
  const clockS = clockPart(walk);
  if (clockS === null) return null;
  const offsetMin = offsetPart(walk);
  return offsetMin === undefined ? null : { clockS, offsetMin };
}
