import type { Air, Place, PlaceChange, Sensor } from '@tembrin/contract';
import { changeAir, takeReading, useAir } from '@/state/air';
import { runHook } from '@/testing/hook';
import { anInstrument, newId, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { dayPoints, monthsOf, monthTicks, yearPoints } from './chart-points';
import { useMoving } from './use-moving';
import { checkedPlace, usePlaceForm } from './use-place-form';
import { useReading } from './use-reading';
import { useSaltCheck } from './use-salt-check';
import { localDay, startOfLocalDay } from '@tembrin/core/time';

jest.mock('expo-router', () => ({ router: { push: jest.fn(), replace: jest.fn() } }));
jest.mock('@/state/air', () => ({
  ...jest.requireActual<object>('@/state/air'),
  changeAir: jest.fn(async (_id: string, { body }: { body?: object }) => body),
  takeReading: jest.fn(async () => true),
}));
jest.mock('@/state/actions', () => ({ enter: jest.fn(async () => []) }));

const HOUR = 3_600_000;
const reading: Place = {
  id: newId(),
  version: 1,
  kind: 'room',
  name: 'Reading room',
  roomId: null,
  volumeM3: 40,
  draught: 'ordinary',
  heating: null,
  tankG: null,
  dryerG: null,
};
const sensor = (kind: Sensor['kind']): Sensor => ({
  id: newId(),
  name: 'On the shelf',
  placeId: reading.id,
  kind,
  keyed: false,
  battery: null,
  last: null,
  readings: 0,
  checks: [],
  faults: [],
  version: 1,
});
function openAir(sensors: Sensor[], records: Air['records'] = []): void {
  openTestHousehold([anInstrument('Heron', 'violin')]);
  useAir.setState({ air: { places: [reading], sensors, records, weather: null } as unknown as Air, unsent: [] });
}

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

describe('a reading', () => {
  const type =
    (values: Record<string, string>) => async (page: ReturnType<typeof runHook<ReturnType<typeof useReading>>>) => {
      await page.after(({ set }) => {
        for (const [key, value] of Object.entries(values)) set(key as 'rh')(value);
      });
      return page.after(({ save }) => save());
    };

  it('is taken for the hygrometer that is read by hand, with its lowest and highest', async () => {
    const mine = sensor('hand');
    openAir([sensor('post'), mine]);
    const close = jest.fn();
    const page = runHook(() => useReading({ onClose: close, placeId: reading.id }));
    await type({ rh: '45,5', temp: '20.5', low: '41', high: '52 %' })(page);
    expect(takeReading).toHaveBeenCalledWith(mine.id, {
      at: new Date(TONIGHT).toISOString(),
      percent: 45.5,
      tempC: 20.5,
      lowPercent: 41,
      highPercent: 52,
    });
    expect(close).toHaveBeenCalled();
  });

  it('where no hygrometer is on record yet, one is put there first', async () => {
    openAir([]);
    const page = runHook(() => useReading({ onClose: () => undefined, placeId: reading.id }));
    await type({ rh: '45' })(page);
    const [operation, { body }] = jest.mocked(changeAir).mock.calls[0]! as unknown as [
      string,
      { body: { id: string } },
    ];
    expect(operation).toBe('addSensor');
    expect(takeReading).toHaveBeenCalledWith(body.id, expect.objectContaining({ percent: 45, tempC: null }));
  });

  it.each([
    [{ rh: '' }, 'rh', /number/],
    [{ rh: '0.45' }, 'rh', /fraction/],
    [{ rh: '145' }, 'rh', /above 100/],
    [{ rh: '45', low: '50' }, 'low', /Check which is which/],
    [{ rh: '45', high: '40' }, 'high', /Check which is which/],
    [{ rh: '45', temp: '68' }, 'temp', /Check the unit/],
    [{ rh: '45', temp: 'warm' }, 'temp', /as a number/],
  ])('%j is not taken: %s says why', async (values, field, why) => {
    openAir([sensor('hand')]);
    const page = runHook(() => useReading({ onClose: () => undefined, placeId: reading.id }));
    const { errors } = await type(values as Record<string, string>)(page);
    expect(errors[field as 'rh']).toMatch(why);
    expect(takeReading).not.toHaveBeenCalled();
  });
});

describe('a salt check', () => {
  // Greenspan 1977: over sodium chloride 75.47 % at 20 °C; over magnesium chloride 33.07 %.
  it('tells by how much it is off from what the salt holds', async () => {
    openAir([]);
    const page = runHook(() => useSaltCheck({ sensor: sensor('hand') }));
    expect(page.now.wanted).toBeCloseTo(0.7547, 3);
    const { correction } = await page.after(({ set }) => {
      set('shown')('73');
      set('temp')('20');
    });
    expect(correction!.offset).toBeCloseTo(0.7547 - 0.73, 3);
    const other = await page.after(({ setSalt }) => setSalt('magnesium-chloride'));
    expect(other.wanted).toBeCloseTo(0.3307, 3);
  });

  it('is not put on record half typed, nor where the hygrometer must be broken', async () => {
    openAir([]);
    const page = runHook(() => useSaltCheck({ sensor: sensor('hand') }));
    const empty = await page.after(({ save }) => save());
    expect(Object.keys(empty.errors).sort()).toEqual(['shown', 'temp']);
    await page.after(({ set }) => {
      set('shown')('20');
      set('temp')('20');
    });
    const broken = await page.after(({ save }) => save());
    expect(broken.problem).toMatch(/more than 25 % off/);
    expect(changeAir).not.toHaveBeenCalled();
  });
});

describe('a place being described', () => {
  const room: PlaceChange = {
    kind: 'room',
    name: 'Reading room',
    roomId: null,
    volumeM3: null,
    draught: 'ordinary',
    heating: { from: 10, to: 4 },
    tankG: null,
    dryerG: null,
  };
  const none = { volumeM3: '', tankG: '', dryerG: '' };

  it('reads numbers with a comma or a point, and takes an empty one as not known', () => {
    expect(checkedPlace(room, { ...none, volumeM3: '42,5' })).toEqual({ facts: { ...room, volumeM3: 42.5 } });
    expect(checkedPlace(room, none)).toEqual({ facts: room });
  });

  it('says beside each field what cannot be read', () => {
    const checked = checkedPlace({ ...room, name: ' ' }, { ...none, tankG: 'full' });
    expect(Object.keys('errors' in checked ? checked.errors : {}).sort()).toEqual(['name', 'tankG']);
  });

  it('a case has neither heating nor volume, whatever was typed before', () => {
    const checked = checkedPlace({ ...room, kind: 'case' }, { ...none, volumeM3: '40' });
    expect(checked).toEqual({ facts: { ...room, kind: 'case', heating: null, volumeM3: null } });
  });

  it('is there on a direct address, before the air is known', () => {
    openTestHousehold([anInstrument('Heron', 'violin')]);
    useAir.setState({ air: null, unsent: [] });
    expect(runHook(() => usePlaceForm({ place: null })).now.rooms).toEqual([]);
  });

  it('those who live nowhere yet are offered to a new one', () => {
    openAir([]);
    const page = runHook(() => usePlaceForm({ place: null }));
    expect(page.now.who).toEqual(page.now.all.map(({ facts }) => facts.id));
    const known = runHook(() => usePlaceForm({ place: reading }));
    expect(known.now.who).toEqual([]);
  });
});

describe('moving', () => {
  it('between two like climates asks for no step; a drier one asks for some, each drier than the last', async () => {
    openAir([]);
    const page = runHook(() => useMoving());
    const same = await page.after(({ setTyped }) => setTyped({ from: '50', to: '50' }));
    expect(same.plan!.steps).toEqual([]);
    const { plan } = await page.after(({ setTyped }) => setTyped({ from: '60', to: '30' }));
    const steps = plan!.steps.map(({ rh }) => rh);
    expect(steps.length).toBeGreaterThan(1);
    expect([...steps].sort((a, b) => b - a)).toEqual(steps);
    expect(steps.at(-1)).toBeCloseTo(0.3, 2);
  });

  it('a humidity that cannot be is asked for again, and nothing is planned by it', async () => {
    openAir([]);
    const page = runHook(() => useMoving());
    const { one, plan } = await page.after(({ setTyped }) => setTyped({ from: '5', to: '35' }));
    expect(one).toBeNull();
    expect(plan).toBeNull();
  });
});

describe('points of a chart', () => {
  const zone = 'Europe/Lisbon';
  const today = localDay(TONIGHT, zone);
  const day = (back: number, rh: number) => {
    const at = startOfLocalDay(today - back, zone);
    return { day: today - back, at, low: rh - 0.05, high: rh + 0.05, rh, tempC: 20, hours: 24 };
  };

  it('every day has one, at its noon; a day without readings is a gap', () => {
    const points = yearPoints(
      [day(2, 0.5), day(0, 0.6)],
      new Map([[today, 0.55]]),
      today - 3,
      today + 1,
      zone,
      () => 0.5,
    );
    expect(points.map(({ air }) => air?.rh ?? null)).toEqual([null, 0.5, null, 0.6]);
    expect(points.map(({ level }) => level)).toEqual([null, null, null, 0.55]);
    for (const { at } of points) expect(new Date(at).toLocaleTimeString('en-GB', { timeZone: zone })).toBe('12:00:00');
    // The wood goes on through a short gap, and is not told before anything was read.
    expect(points.map(({ wood }) => wood)).toEqual([null, 0.5, 0.5, 0.5]);
  });

  it('the line of the wood ends four days after the last reading', () => {
    const points = yearPoints([day(10, 0.5)], new Map(), today - 10, today + 1, zone, () => 0.5);
    expect(points.filter(({ wood }) => wood !== null)).toHaveLength(5);
  });

  it('months tell the lowest, the mean, the highest, the wood, and how many days lay in the band', () => {
    const days = [day(0, 0.6), day(40, 0.5), day(41, 0.3)];
    const points = yearPoints(days, new Map(), today - 60, today + 1, zone, () => 0.48);
    const months = monthsOf(points, () => ({ low: 0.4, high: 0.6 }), zone);
    expect(months.map(({ month }) => month)).toEqual(['Apr 2026', 'May 2026', 'Jun 2026']);
    const [april, may, june] = months;
    expect(april).toMatchObject({ known: 2, inside: 1, wood: 0.48 });
    expect(april!.air!.low).toBeCloseTo(0.25, 9);
    expect(april!.air!.rh).toBeCloseTo(0.4, 9);
    expect(april!.air!.high).toBeCloseTo(0.55, 9);
    expect(may).toEqual({ month: 'May 2026', air: null, wood: null, inside: 0, known: 0 });
    expect(june).toMatchObject({ known: 1, inside: 1 });
  });

  it('a long silence within a day is a gap, at its middle', () => {
    const at = (hour: number) => ({ at: hour * HOUR, low: 0.5, high: 0.5, rh: 0.5, tempC: 20 });
    const points = dayPoints([at(0), at(1), at(9)], 3 * HOUR, () => null);
    expect(points.map((point) => [point.at / HOUR, point.air !== null])).toEqual([
      [0, true],
      [1, true],
      [5, false],
      [9, true],
    ]);
  });

  it('months are named at their middles, only those that are mostly shown', () => {
    const points = yearPoints([], new Map(), today - 100, today + 1, zone, () => null);
    const ticks = monthTicks(points, zone, 1);
    expect(ticks.map(({ text }) => text)).toEqual(['Mar', 'Apr', 'May']);
    expect(new Date(ticks[1]!.at).getUTCDate()).toBeGreaterThan(13);
    expect(new Date(ticks[1]!.at).getUTCDate()).toBeLessThan(18);
    expect(monthTicks(points, zone, 2).map(({ text }) => text)).toEqual(['Mar', 'May']);
  });
});
