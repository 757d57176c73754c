import { usualFacts } from '../instruments';
import { DAY_MS, HOUR_MS } from '../time';
import { instrumentAir, placesAir, roomHours, weatherHours, type AirKnown, type LooseReading } from './places';

const NOW = Date.UTC(2025, 2, 1, 12);
const HOUR_NOW = NOW / HOUR_MS;
const violin = usualFacts('violin');
const places = [
  { id: 'front', kind: 'room' as const, roomId: null, heating: { from: 10, to: 4 } },
  { id: 'case', kind: 'case' as const, roomId: 'front', heating: null },
];
const hours = (count: number, rhHundredths: number): [number, number, number, number, number][] =>
  Array.from({ length: count }, (_, at) => [
    HOUR_NOW - count + 1 + at,
    rhHundredths,
    rhHundredths - 100,
    rhHundredths + 100,
    2000,
  ]);
const known = (more: Partial<AirKnown> = {}): AirKnown => ({
  places,
  sensors: [{ id: 'shelf', placeId: 'front' }],
  records: [{ placeId: 'front', days: [], hours: hours(24 * 20, 4500), steady: null }],
  weather: null,
  ...more,
});
const reading = (hoursAgo: number, percent: number, more: Partial<LooseReading['reading']> = {}): LooseReading => ({
  sensorId: 'shelf',
  reading: {
    at: new Date(NOW - hoursAgo * HOUR_MS).toISOString(),
    percent,
    tempC: null,
    lowPercent: null,
    highPercent: null,
    ...more,
  },
});
/** Absolute humidity of outside air as the weather service tells it: hours since 1970, temperature, humidity. */
const weather = (fromH: number, toH: number) => ({
  hours: Array.from({ length: toH - fromH }, (_, at) => [HOUR_NOW + fromH + at, 500, 8000] as [number, number, number]),
});

describe('places with their air', () => {
  it('each has its record, its newest reading, and nothing of its neighbour’s', () => {
    const air = placesAir(known(), [], 'UTC', NOW);
    expect([...air.keys()]).toEqual(['front', 'case']);
    const front = air.get('front')!;
    expect(front.record.hours).toHaveLength(480);
    expect(front.latest).toMatchObject({ at: NOW, rh: 0.45, low: 0.44, high: 0.46, tempC: 20 });
    expect(air.get('case')).toMatchObject({ latest: null, habit: null, ahead: [] });
  });

  it('readings that wait stand among the rest, in order, their lowest and highest with them', () => {
    const loose = [reading(0.5, 50, { lowPercent: 40, highPercent: 60 }), reading(2.5, 48)];
    const { record, latest } = placesAir(known(), loose, 'UTC', NOW).get('front')!;
    expect(record.hours).toHaveLength(482);
    const times = record.hours.map(({ at }) => at);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(record.hours.find(({ at }) => at === NOW - 0.5 * HOUR_MS)).toEqual({
      at: NOW - 0.5 * HOUR_MS,
      rh: 0.5,
      low: 0.4,
      high: 0.6,
      tempC: null,
    });
    expect(record.hours.find(({ at }) => at === NOW - 2.5 * HOUR_MS)).toMatchObject({
      rh: 0.48,
      low: 0.48,
      high: 0.48,
    });
    expect(latest!.at).toBe(NOW);
  });

  it('a reading of a hygrometer that hangs elsewhere is not taken for this place', () => {
    const elsewhere = { ...reading(0.5, 90), sensorId: 'other' };
    expect(placesAir(known(), [elsewhere], 'UTC', NOW).get('front')!.record.hours).toHaveLength(480);
  });

  it('with a day of weather to come a room has a forecast, a case has none', () => {
    const long = known({ weather: weather(-24 * 14, 48) });
    expect(placesAir(long, [], 'UTC', NOW).get('front')!.ahead.length).toBeGreaterThanOrEqual(48);
    expect(placesAir(long, [], 'UTC', NOW).get('case')!.ahead).toEqual([]);
    const short = known({ weather: weather(-24 * 14, 20) });
    expect(placesAir(short, [], 'UTC', NOW).get('front')!.ahead).toEqual([]);
    const unread = known({ weather: weather(-24 * 14, 48), records: [] });
    expect(placesAir(unread, [], 'UTC', NOW).get('front')).toMatchObject({ habit: null, ahead: [] });
  });

  it('the forecast of a steady room under steady weather is what it is', () => {
    const { ahead, habit } = placesAir(known({ weather: weather(-24 * 14, 48) }), [], 'UTC', NOW).get('front')!;
    expect(habit!.gainGm3).toEqual(expect.any(Number));
    for (const { rh } of ahead) expect(rh).toBeCloseTo(0.45, 2);
    expect(ahead[0]!.at).toBeGreaterThanOrEqual(NOW - HOUR_MS);
  });

  it('what a room does is learnt of the weather that was; its forecast begins with the hour under way', () => {
    const coming = weather(-24 * 14, 48);
    const front = (hours: [number, number, number][]) =>
      placesAir(known({ weather: { hours } }), [], 'UTC', NOW).get('front')!;
    const other = coming.hours.map(([hour, temp, rh]): [number, number, number] =>
      hour >= HOUR_NOW ? [hour, temp + 900, rh] : [hour, temp, rh],
    );
    expect(front(other).habit).toEqual(front(coming.hours).habit);
    expect(front(other).ahead).not.toEqual(front(coming.hours).ahead);
    expect(front(coming.hours).ahead[0]!.at).toBe(NOW - HOUR_MS);
  });

  it('hours without a temperature are not reckoned by, nor those before', () => {
    const list = [0, 1, 2].map((at) => ({ at, rh: 0.5, low: 0.5, high: 0.5, tempC: at === 1 ? null : 20 }));
    expect(roomHours(list, 0).map(({ at }) => at)).toEqual([0, 2]);
    expect(roomHours(list, 2).map(({ at }) => at)).toEqual([2]);
    expect(weatherHours(null)).toEqual([]);
  });
});

describe('an instrument’s air', () => {
  const air = placesAir(known(), [], 'UTC', NOW);
  const judged = (placeId: string | null | undefined, cased = true, from = air) =>
    instrumentAir(
      violin,
      'A',
      {
        moves: placeId === undefined ? [] : [{ eventId: 'moved', at: NOW - 30 * DAY_MS, placeId, cased }],
        nowMs: NOW + 1,
      },
      from,
    );

  it('is judged where it lives', () => {
    const { verdict, samples, holdMs, heating } = judged('front');
    expect(verdict).toMatchObject({ state: 'fine', cased: true });
    expect(verdict.body!.restRh).toBeCloseTo(0.45, 2);
    expect(samples).toHaveLength(480);
    expect(holdMs).toBeGreaterThan(HOUR_MS);
    expect(heating).toEqual({ from: 10, to: 4 });
  });

  it('in a case without a hygrometer of its own it breathes the room’s air, and the room’s heating is its own', () => {
    const { verdict, heating } = judged('case');
    expect(verdict.body!.restRh).toBeCloseTo(0.45, 2);
    expect(heating).toEqual({ from: 10, to: 4 });
  });

  it.each([
    ['nobody said where it lives', undefined, 'no-place'],
    ['it is away from home', null, 'no-place'],
    ['the place is not known here: not fetched yet, or removed', 'gone', 'place-unknown'],
  ])('%s', (_, placeId, why) => {
    expect(judged(placeId).verdict).toMatchObject({ state: 'unknown', why });
  });

  it('where no place at all is known yet, nobody is told that they did not say', () => {
    expect(judged('front', true, new Map()).verdict.why).toBe('place-unknown');
  });

  it('in a place nobody read, it says so', () => {
    const unread = placesAir(known({ records: [] }), [], 'UTC', NOW);
    expect(judged('front', true, unread)).toMatchObject({ verdict: { why: 'no-readings' }, samples: [] });
  });
});
