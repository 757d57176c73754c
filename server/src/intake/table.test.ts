import { tableRows, topLines } from './table';

/** Lines of a text that comes in parts of so many bytes. */
async function rowsOf(text: string | Buffer, bytes: number, delimiter = ','): Promise<string[][]> {
  const whole = Buffer.from(text);
  const parts = Array.from({ length: Math.ceil(whole.length / bytes) }, (_each, at) =>
    whole.subarray(at * bytes, (at + 1) * bytes),
  );
  const rows: string[][] = [];
  let read = 0;
  for await (const stretch of tableRows(
    (async function* () {
      yield* parts;
    })(),
    delimiter,
    (more) => (read += more),
  ))
    rows.push(...stretch);
  expect(read).toBe(whole.length);
  return rows;
}

const DIARY =
  'Date,Minutes,What\n2026-02-03,25,"scales, slowly"\n\n2026-02-04,30,"a waltz\nand a \"\"reel\"\""\n2026-02-05,20,é';
const LINES = [
  ['Date', 'Minutes', 'What'],
  ['2026-02-03', '25', 'scales, slowly'],
  [''],
  ['2026-02-04', '30', 'a waltz\nand a "reel"'],
  ['2026-02-05', '20', 'é'],
];

test.each([1, 2, 3, 7, 64, 1000])('a file that comes in parts of %i bytes is read as one', async (bytes) => {
  expect(await rowsOf(DIARY, bytes)).toEqual(LINES);
  expect(await rowsOf(DIARY.replaceAll('\n', '\r\n'), bytes)).toEqual(LINES);
  expect(await rowsOf(DIARY.replaceAll('\n', '\r'), bytes)).toEqual(LINES);
  expect(await rowsOf(`${DIARY}\n`, bytes)).toEqual(LINES);
});

test('the top of a file is read like the whole of it, but for a line that is cut off', () => {
  expect(topLines(DIARY, ',', true)).toEqual(LINES);
  const at = DIARY.indexOf('reel');
  expect(topLines(DIARY.slice(0, at), ',', false)).toEqual(LINES.slice(0, 3));
});

test('quotation marks that are never closed are told with their line, and swallow nothing in silence', async () => {
  await expect(rowsOf('a,b\n1,2\n3,"4\n5,6\n', 1000)).rejects.toThrow(/opened in line 3 and never closed/);
});

test('a file without the end of a line is no table, however long it goes on', async () => {
  await expect(rowsOf('x'.repeat(300_000), 64_000)).rejects.toThrow(/No table can be made out/);
});
