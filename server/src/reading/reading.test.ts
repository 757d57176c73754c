import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { LOGGER_PLAN } from '../testing/air';
import { apart, outcomeApart, TOO_MUCH, TOO_SLOW, withApart } from './apart';
import { packed, unpacked } from './packed';
import { loggerReadings } from './logger';

const folder = mkdtempSync(join(tmpdir(), 'tembrin-reading-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const NOW = Date.parse('2026-11-20T12:00:00Z');

/** A file of minutes on the disk, and how it is to be read. */
function minutes(count: number, line = (time: string) => `${time};45,2;20,5`) {
  const path = join(folder, `${count}-${Math.random()}.csv`);
  const start = Date.UTC(2025, 0, 6);
  const times = Array.from({ length: count }, (_, at) =>
    new Date(start + at * 60_000).toISOString().slice(0, 16).replace('T', ' '),
  );
  writeFileSync(path, ['Time;RH %;Temp °C', ...times.map(line)].join('\n'));
  return { file: { path, delimiter: ';', skip: 1 }, plan: LOGGER_PLAN, timeZone: 'Europe/Lisbon', nowMs: NOW };
}

test('what is read apart is what would be read here', async () => {
  const input = minutes(5000, (time) => (time.endsWith('00') ? `${time};ERR;20,5` : `${time};45,2;20,5`));
  const all = async (found: AsyncIterable<{ taken: Float64Array; lines: number; unreadable: number }>) => {
    const stretches = [];
    for await (const each of found) stretches.push({ ...each, taken: [...each.taken] });
    return stretches;
  };
  const [here, there] = [await all(loggerReadings(input)), await all(apart('loggerReadings', input))];
  expect(there).toEqual(here);
  expect(there.length).toBeGreaterThan(1);
  expect(there.reduce((sum, { lines }) => sum + lines, 0)).toBe(5001);
  expect(there.reduce((sum, { unreadable }) => sum + unreadable, 0)).toBe(84);
  expect(there.flatMap(({ taken }) => unpacked(Float64Array.from(taken)))).toHaveLength(5000 - 84);
});

test('packed readings come out as they went in', () => {
  const hundredths = fc.integer({ min: -4000, max: 10_000 });
  const known = fc.option(hundredths);
  const reading = fc.record({
    // Past the year 2038 too.
    atS: fc.integer({ min: 0, max: 2 ** 33 }),
    rhHundredths: hundredths,
    tempHundredths: known,
    lowHundredths: known,
    highHundredths: known,
  });
  fc.assert(fc.property(fc.array(reading), (readings) => expect(unpacked(packed(readings))).toEqual(readings)));
});

test('a file that takes too long is given up with a sentence, and its thread ends', async () => {
  const answers = apart('loggerReadings', minutes(10), { quietMs: 1 });
  await expect(answers.next()).rejects.toMatchObject({ problem: { status: 422, detail: TOO_SLOW } });
  // The places of both threads are free again.
  const both = [minutes(10), minutes(10), minutes(10)].map((input) =>
    withApart('loggerReadings', input, async (found) => {
      for await (const { lines } of found) return lines;
      return 0;
    }),
  );
  expect(await Promise.all(both)).toEqual([10, 10, 10]);
});

test('a file that takes too much memory is given up with a sentence', async () => {
  const text = `BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\n${'BEGIN:VEVENT\nUID:a\nEND:VEVENT\n'.repeat(80_000)}END:VCALENDAR\n`;
  const answers = apart('calendar', { text, timeZone: 'UTC', nowMs: NOW }, { heapMb: 12 });
  await expect(answers.next()).rejects.toMatchObject({ problem: { status: 413, detail: TOO_MUCH } });
});

test('what the reader itself refuses comes through as it is', async () => {
  const calendar = { text: 'hello', timeZone: 'UTC', nowMs: NOW };
  await expect(outcomeApart('calendar', calendar)).rejects.toMatchObject({
    problem: { type: '/problems/no-calendar' },
  });
  const file = { bytes: Buffer.from('hello\nworld') };
  const preview = { file, plan: undefined, timeZone: 'UTC', nowMs: NOW };
  await expect(outcomeApart('loggerPreview', preview)).rejects.toMatchObject({
    problem: { type: '/problems/no-table' },
  });
});
