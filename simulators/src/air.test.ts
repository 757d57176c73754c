import { absoluteGm3, DAY_MS, heatedRh, HOUR_MS, localDay, readingsOf, senmlPackSchema } from '@tembrin/core';
import { demoLibrary, hygrometer, outdoors, roomAir, weatherAround, type HygrometerFault } from '.';

const NOW = Date.parse('2026-11-24T09:30:00.000Z');
const ZONE = 'Europe/Lisbon';
const mean = (list: readonly number[]) => list.reduce((sum, value) => sum + value, 0) / list.length;
const hoursFrom = (from: number, count: number) => Array.from({ length: count }, (_, at) => from + at * HOUR_MS);
const winter = Date.UTC(2026, 0, 5);
const summer = Date.UTC(2026, 6, 5);

test('the town is cold in winter, mild and damp in summer, and the same whenever it is asked', () => {
  const temperature = (from: number) => mean(hoursFrom(from, 30 * 24).map((at) => outdoors(at, ZONE).tempC));
  expect(temperature(winter)).toBeLessThan(3);
  expect(temperature(summer)).toBeGreaterThan(14);
  expect(outdoors(NOW, ZONE)).toEqual(outdoors(NOW, ZONE));
  for (const at of hoursFrom(winter, 500)) {
    expect(outdoors(at, ZONE).rh).toBeGreaterThan(0.4);
    expect(outdoors(at, ZONE).rh).toBeLessThan(1);
  }
});

test('mornings over the ovens are damp and warm, the heating makes winters dry, the store stays damp', () => {
  const over = (room: 'ovens' | 'reading' | 'store', from: number) =>
    roomAir(room, from, from + 21 * DAY_MS, HOUR_MS, ZONE);
  const at = (hour: number) => over('ovens', winter).filter((each) => new Date(each.at).getUTCHours() === hour);
  expect(mean(at(6).map(({ rh }) => rh)) - mean(at(18).map(({ rh }) => rh))).toBeGreaterThan(0.1);
  expect(mean(over('reading', winter).map(({ rh }) => rh))).toBeLessThan(0.38);
  expect(mean(over('reading', summer).map(({ rh }) => rh))).toBeGreaterThan(0.55);
  expect(mean(over('store', winter).map(({ rh }) => rh))).toBeGreaterThan(0.5);
  // Heated outdoor air with little added: no drier than the weather itself brought to the room's temperature.
  const [day] = over('reading', winter).slice(-1);
  expect(absoluteGm3(day!.rh, day!.tempC)).toBeGreaterThan(0);
  expect(heatedRh(0.8, 0, 22)).toBeLessThan(0.3);
});

test('the weather service tells two weeks back and seven days ahead, hour by hour', () => {
  const { hours } = weatherAround(NOW, ZONE);
  expect(hours).toHaveLength(21 * 24);
  expect(hours.at(-1)![0] - Math.floor(NOW / HOUR_MS)).toBe(7 * 24 - 1);
  expect(new Set(hours.map(([hour]) => hour)).size).toBe(hours.length);
});

describe('the simulated hygrometer', () => {
  const packs = (faults: HygrometerFault[], count = 48) => {
    const read = hygrometer({ room: 'ovens', timeZone: ZONE, seed: 0.5, faults }, NOW);
    return hoursFrom(NOW, count).map((at) => read(at));
  };
  const humidity = (faults: HygrometerFault[]) =>
    packs(faults).map((pack) => pack?.find(({ u }) => u === '%RH')?.v ?? null);

  test('sends packs that can be read as SenML, the same for the same seed', () => {
    const [pack] = packs([]);
    const { readings, faults } = readingsOf(senmlPackSchema.parse(pack), NOW);
    expect(readings).toHaveLength(1);
    expect(faults).toEqual([]);
    expect(packs([])).toEqual(packs([]));
  });

  test('drops out, drifts, sticks, and its battery fades, when asked to', () => {
    expect(humidity(['drop-outs']).filter((rh) => rh === null).length).toBeGreaterThan(5);
    const [true_, drifting] = [humidity([]), humidity(['drift'])];
    expect(drifting.at(-1)! - true_.at(-1)!).toBeCloseTo(47 * 0.04, 0);
    expect(new Set(humidity(['stuck'])).size).toBe(1);
    const battery = packs(['battery']).map((pack) => pack!.find(({ u }) => u === '%EL')!.v);
    expect(battery[0]).toBeGreaterThan(battery.at(-1)!);
    expect(battery.at(-1)).toBe(0);
  });
});

test('the demo library has rooms, hygrometers with thirteen months of readings, a gap, and a home for every instrument', () => {
  const { air, events, instruments } = demoLibrary(NOW, ZONE);
  const rooms = new Set(air.places.map(({ id }) => id));
  for (const sensor of air.sensors) {
    expect(rooms.has(sensor.placeId)).toBe(true);
    const times = sensor.readings.map(({ atS }) => atS);
    expect(Math.max(...times) * 1000).toBeLessThanOrEqual(NOW);
    expect(localDay(NOW, ZONE) - localDay(times[0]! * 1000, ZONE)).toBeGreaterThan(396);
    expect(new Set(times).size).toBe(times.length);
  }
  const logger = air.sensors.find(({ kind }) => kind === 'logger')!;
  const gaps = logger.readings.slice(1).map(({ atS }, index) => atS - logger.readings[index]!.atS);
  expect(Math.max(...gaps)).toBeGreaterThan(7 * 86_400);
  for (const { id } of instruments) {
    const moved = events.find((event) => event.type === 'moved' && event.instrumentId === id);
    expect(moved && 'placeId' in moved.payload && rooms.has(moved.payload.placeId!)).toBe(true);
  }
});
