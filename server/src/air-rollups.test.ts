import { correctedSeries, emptySums, HOUR_MS, packSeries, readingOf, type Reading } from '@tembrin/core';
import fc from 'fast-check';
import { readColumns, rollUp } from './store/air/hours';
import { storeReadings, takeIn } from './store/air/readings';
import { airOf, numberOf, room, sensor } from './testing/air';
import { household, openServer, type TestServer } from './testing/fixtures';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

describe('roll-ups', () => {
  test('are what brute force gives, whatever comes late, twice, out of order, changed or recalibrated', async () => {
    const party = await household(server);
    const { sensor: made } = await sensor(party, await room(party), 'logger');
    const no = await numberOf(server, made.id);
    const { sequelize } = server.database;
    const base = 1_700_000_000 - (1_700_000_000 % 3600);
    const arbitrary: fc.Arbitrary<Reading> = fc.record({
      atS: fc.integer({ min: base, max: base + 40 * 3600 }),
      rhHundredths: fc.integer({ min: 100, max: 10_000 }),
      tempHundredths: fc.option(fc.integer({ min: -1000, max: 4000 })),
      lowHundredths: fc.constant(null),
      highHundredths: fc.constant(null),
    });
    const batches = fc.array(fc.array(arbitrary, { minLength: 1, maxLength: 30 }), { minLength: 1, maxLength: 6 });
    const checks = fc.array(
      fc.record({
        at: fc.integer({ min: base * 1000, max: (base + 40 * 3600) * 1000 }),
        salt: fc.constantFrom('sodium-chloride' as const, 'magnesium-chloride' as const),
        tempC: fc.constant(20),
        shownRh: fc.double({ min: 0.3, max: 0.8, noNaN: true }),
      }),
      { maxLength: 3 },
    );
    await fc.assert(
      fc.asyncProperty(batches, checks, async (all, salts) => {
        await sequelize.query('DELETE FROM readings WHERE sensor = :no', { replacements: { no } });
        await sequelize.query('DELETE FROM reading_days WHERE sensor = :no', { replacements: { no } });
        for (const batch of all)
          await sequelize.transaction((transaction) => takeIn(sequelize, no, batch, transaction));
        const truth = new Map<number, Reading>(all.flat().map((each) => [each.atS, each]));
        const hours = [...new Set([...truth.keys()].map((at) => Math.floor(at / 3600)))].sort((a, b) => a - b);
        const sums = await readColumns(sequelize, no, base / 3600 - 30, base / 3600 + 80);
        const shown = packSeries(correctedSeries(sums, salts));
        expect(shown.map(([hour]) => hour)).toEqual(hours);
        for (const [index, hour] of hours.entries()) {
          const inside = [...truth.values()].filter(({ atS }) => Math.floor(atS / 3600) === hour);
          // Each reading corrected by itself, as an hour of its own.
          const each = inside.map(({ rhHundredths: rh }) => {
            const alone = emptySums(hour, 1);
            alone.n[0] = 1;
            for (const key of ['rhSum', 'low', 'high'] as const) alone[key][0] = rh;
            return packSeries(correctedSeries(alone, salts))[0]![1];
          });
          const clamped = each.some((rh) => rh === 0 || rh === 10_000);
          const mean = each.reduce((sum, rh) => sum + rh, 0) / each.length;
          if (!clamped) expect(Math.abs(shown[index]![1] - mean)).toBeLessThanOrEqual(1);
          expect([shown[index]![2], shown[index]![3]].sort((a, b) => a - b)).toEqual(
            [Math.min(...each), Math.max(...each)].sort((a, b) => a - b),
          );
        }
      }),
      { numRuns: 25 },
    );
  });

  test('one that breaks off half-way leaves nothing', async () => {
    const party = await household(server);
    const { sensor: made } = await sensor(party, await room(party), 'logger');
    const no = await numberOf(server, made.id);
    const { sequelize } = server.database;
    const one = readingOf({ at: Date.now() - HOUR_MS, percent: 45 }, Date.now()) as Reading;
    await expect(
      sequelize.transaction(async (transaction) => {
        await storeReadings(sequelize, no, [one], transaction);
        await rollUp(sequelize, no, one.atS, one.atS, transaction);
        throw new Error('power cut');
      }),
    ).rejects.toThrow('power cut');
    expect((await airOf(party)).sensors[0]!.readings).toBe(0);
  });
});
