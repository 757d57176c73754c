import { standInDevice } from '@/testing/device';
import type { Air, Place, Sensor } from '@tembrin/contract';
import { dropReading, openAir, leaveAir, refreshAir, takeReading, takeReadingBack, useAir } from './air';
import { placesAir } from '@tembrin/core/air';

const HOUR = 3_600_000;
const now = Math.floor(Date.now() / HOUR);
const place: Place = {
  id: '00000000-0000-4000-8000-000000000001',
  kind: 'room',
  name: 'Room',
  roomId: null,
  volumeM3: 40,
  draught: 'ordinary',
  heating: null,
  tankG: null,
  dryerG: null,
  version: 1,
};
const sensor: Sensor = {
  id: '00000000-0000-4000-8000-000000000002',
  placeId: place.id,
  name: 'Dial',
  kind: 'hand',
  keyed: false,
  battery: null,
  last: null,
  readings: 0,
  checks: [],
  faults: [],
  version: 1,
};
const airOf = (hours: [number, number][]): Air => ({
  places: [place],
  sensors: [sensor],
  records:
    hours.length === 0
      ? []
      : [
          {
            placeId: place.id,
            days: [],
            hours: hours.map(([hour, rh]) => [hour, rh, rh, rh, 2000]),
            steady: { level: 0.5, low: 0.4, high: 0.6, basis: 'short' },
          },
        ],
  weather: null,
});

let served: Air | 'down';
let posted: unknown[];
/** Status with which readings are answered. */
let refusing: number | null;
const asked: string[] = [];
const answer = (status: number, body: unknown) =>
  Promise.resolve({
    ok: status < 400,
    status,
    json: () => Promise.resolve(JSON.parse(JSON.stringify(body)) as unknown),
  });

beforeEach(() => {
  served = airOf([]);
  posted = [];
  refusing = null;
  asked.length = 0;
  standInDevice();
  global.fetch = ((url: string, init?: RequestInit) => {
    if (served === 'down') return Promise.reject(new TypeError('no network'));
    asked.push(url);
    if (init?.method !== 'POST') return answer(200, served);
    if (refusing !== null)
      return answer(refusing, {
        type: '/problems/x',
        title: 'x',
        status: refusing,
        detail: 'Humidity is never below 0 %.',
      });
    posted.push(JSON.parse(init.body as string));
    return answer(200, { stored: 1, known: 0, corrected: 0 });
  }) as unknown as typeof fetch;
});
let household = 0;
const open = () => openAir(`household-${++household}`);
afterEach(() => leaveAir());

const reading = (percent: number) => ({
  at: new Date().toISOString(),
  percent,
  tempC: 20,
  lowPercent: null,
  highPercent: null,
});

test('a reading taken without a connection is kept, shown, and sent once there is one', async () => {
  await open();
  served = 'down';
  await takeReading(sensor.id, reading(44));
  expect(useAir.getState()).toMatchObject({ reached: false, unsent: [{ sensorId: sensor.id }] });
  const { air, unsent } = useAir.getState();
  const known = placesAir(air!, unsent, 'UTC', Date.now()).get(place.id)!;
  expect(known.latest).toMatchObject({ rh: 0.44, tempC: 20 });
  served = airOf([[now, 4400]]);
  await openAir(`household-${household}`);
  expect(posted).toHaveLength(1);
  expect(useAir.getState()).toMatchObject({ reached: true, unsent: [] });
});

test('one taken back before it was sent is never sent', async () => {
  await open();
  served = 'down';
  const taken = reading(44);
  await takeReading(sensor.id, taken);
  await takeReadingBack(sensor.id, taken);
  served = airOf([]);
  await openAir(`household-${household}`);
  expect(posted).toEqual([]);
});

test.each([401, 408, 425, 429, 500, 503])('answered %d, a reading is kept and tried again', async (status) => {
  await open();
  refusing = status;
  expect(await takeReading(sensor.id, reading(44))).toBe(false);
  expect(useAir.getState()).toMatchObject({ reached: false, unsent: [{ sensorId: sensor.id }] });
  refusing = null;
  await openAir(`household-${household}`);
  expect(posted).toHaveLength(1);
  expect(useAir.getState()).toMatchObject({ reached: true, unsent: [] });
});

test('what is refused as it is typed is told there, and not kept', async () => {
  await open();
  refusing = 422;
  await expect(takeReading(sensor.id, reading(44))).rejects.toThrow('never below');
  const { unsent, refused } = useAir.getState();
  expect([unsent.length, refused.size]).toEqual([0, 0]);
});

test('one refused later holds up none after it, and waits with its reason, over a reload, until it is dropped', async () => {
  await open();
  served = 'down';
  await takeReading(sensor.id, reading(44));
  served = airOf([]);
  refusing = 422;
  await openAir(`household-${household}`);
  refusing = null;
  expect(await takeReading(sensor.id, reading(45))).toBe(true);
  await leaveAir();
  await openAir(`household-${household}`);
  const { unsent, refused } = useAir.getState();
  expect(unsent).toEqual([]);
  expect([...refused.values()]).toMatchObject([{ reading: { percent: 44 }, problem: { status: 422 } }]);
  await dropReading([...refused.keys()][0]!);
  expect(useAir.getState().refused.size).toBe(0);
});

test('news are asked for from where this device knows everything, and join what is known', async () => {
  served = airOf([
    [now - 100, 4000],
    [now - 1, 4100],
  ]);
  await open();
  served = {
    ...airOf([
      [now - 1, 4150],
      [now, 4200],
    ]),
  };
  served.records[0]!.steady = null;
  await refreshAir();
  expect(asked.at(-1)).toContain(`since=${now - 1 - 48}`);
  const [record] = useAir.getState().air!.records;
  expect(record!.hours.map(([, rh]) => rh)).toEqual([4000, 4150, 4200]);
  expect(record!.steady).toMatchObject({ level: 0.5 });
});
