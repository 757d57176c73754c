import fc from 'fast-check';
import { dateNumbers, encodingOf, guessCalendarOrder, guessDelimiter, layOut, numberIn, wallDate } from '.';

const utf8 = (text: string) =>
  new Uint8Array([...unescape(encodeURIComponent(text))].map((char) => char.charCodeAt(0)));
const utf16 = (text: string, little: boolean, mark: boolean) =>
  new Uint8Array(
    [...(mark ? '\ufeff' : ''), ...text].flatMap((char) => {
      const code = char.charCodeAt(0);
      return little ? [code & 255, code >> 8] : [code >> 8, code & 255];
    }),
  );

describe('what a file is written in', () => {
  const line = 'Date;Humidity\n2026-01-01 10:00;45.2\n';
  test('UTF-8, with its mark and without; plain letters are UTF-8 too', () => {
    expect(encodingOf(utf8(line))).toBe('utf-8');
    expect(encodingOf(utf8(`\ufeff${line}`))).toBe('utf-8');
    expect(encodingOf(utf8('Raum;Wärme °C\n'))).toBe('utf-8');
  });
  test.each([true, false])('UTF-16, either end first, with its mark (%p) and without', (mark) => {
    expect(encodingOf(utf16(line, true, mark))).toBe('utf-16le');
    expect(encodingOf(utf16(line, false, mark))).toBe('utf-16be');
  });
  test('what is not UTF-8 is Windows-1252: a degree sign of one byte', () => {
    expect(encodingOf(new Uint8Array([0x54, 0x20, 0xb0, 0x43, 0x0a, 0x32, 0x31]))).toBe('windows-1252');
  });
});

test.each([
  ['a,b,c\n1,2,3', ','],
  ['a;b\n1,5;2,5\n3,5;4,5', ';'],
  ['a\tb\n1,5\t2', '\t'],
  ['a|b\n1|2', '|'],
])('the separator of %j is %j', (text, delimiter) => expect(guessDelimiter(text.split('\n'))).toBe(delimiter));

test('lines without a separator are no table', () => expect(guessDelimiter(['hello', 'world'])).toBeNull());

test('numbers are read with a point or a comma, and nothing else is a number', () => {
  expect(['45.2', ' 45,2 ', '-3', '45 %', '21.5°C'].map(numberIn)).toEqual([45.2, 45.2, -3, 45, 21.5]);
  for (const text of ['', 'soon', undefined]) expect(numberIn(text)).toBeNaN();
});

describe('dates', () => {
  test('that can be read one way only tell their order', () => {
    expect(guessCalendarOrder(['13/02/2026'])).toBe('dmy');
    expect(guessCalendarOrder(['02/13/2026'])).toBe('mdy');
    expect(guessCalendarOrder(['2026-02-13'])).toBe('ymd');
  });
  test('that can be read both ways are asked for', () => {
    expect(guessCalendarOrder(['03/02/2026', '04/02/2026'])).toBeNull();
  });
  test('that do not exist are none', () => {
    expect(wallDate([30, 2, 2026], 'dmy')).toBeNull();
    expect(wallDate([29, 2, 2024], 'dmy')).not.toBeNull();
    expect(dateNumbers('soon')).toBeNull();
  });
  test('written and read in any order come back', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 2000, max: 2099 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 28 }),
        (y, m, d) => {
          const day = wallDate([y, m, d], 'ymd');
          expect(wallDate([d, m, y], 'dmy')).toBe(day);
          expect(wallDate([m, d, y], 'mdy')).toBe(day);
        },
      ),
    ));
});

test('lines before the heads of the columns are passed over', () => {
  const rows = [
    ['Logger 7'],
    ['Serial', '00'],
    ['Date', 'RH'],
    ['2026-01-01', '45'],
    ['2026-01-02', '46'],
    ['2026-01-03', '44'],
  ];
  const layout = layOut(
    rows,
    (cells) => !Number.isNaN(numberIn(cells[1])) && dateNumbers(cells[0] ?? '') !== null,
    0.8,
  );
  expect(layout.skip).toBe(3);
});
