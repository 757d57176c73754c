import { standInDevice } from '@/testing/device';
import type { LogEvent } from '@tembrin/core/log';
import { openDB } from 'idb';
import {
  dropEntries,
  keepPage,
  readKeptLog,
  keepUnsent,
  oldestUnsent,
  openDeviceStore,
  removeDeviceStore,
  settle,
  waitingOnDevice,
} from './device-store';
import { takeOldReadings } from './old-readings';

let households = 0;
let id: string;
const event = (name: string) => ({ id: name, instrumentId: 'heron', type: 'rosined', payload: {} }) as LogEvent;
const problem = { type: '/problems/x', title: 'x', status: 422, detail: 'No.' };

beforeAll(standInDevice);
beforeEach(() => {
  id = `household-${++households}`;
});

/** What an earlier version of the app kept: the log in one database, the air in another. */
async function asBefore(readings: readonly object[]): Promise<void> {
  const log = await openDB(`tembrin-${id}`, 1, {
    upgrade(database) {
      database.createObjectStore('events', { keyPath: 'id' }).createIndex('instrument', 'instrumentId');
      database.createObjectStore('outbox', { autoIncrement: true });
      database.createObjectStore('refused', { keyPath: 'event.id' });
      database.createObjectStore('reached');
    },
  });
  await log.put('outbox', event('waiting'));
  log.close();
  const air = await openDB(`tembrin-air-${id}`, 1, {
    upgrade(database) {
      database.createObjectStore('unsent', { autoIncrement: true });
    },
  });
  for (const reading of readings) await air.put('unsent', reading);
  air.close();
}

test('what an earlier version kept and had not sent is all here, the readings by their new names', async () => {
  const at = '2026-06-01T12:00:00.000Z';
  await asBefore([{ sensorId: 's', reading: { at, percent: 44, tempC: 20, low: 40, high: null } }]);
  const store = await openDeviceStore(id);
  await takeOldReadings(store, id);
  await takeOldReadings(store, id);
  expect((await oldestUnsent(store, 10)).events.map((each) => each.id)).toEqual(['waiting']);
  expect(await store.getAll('readings')).toEqual([
    { sensorId: 's', reading: { at, percent: 44, tempC: 20, lowPercent: 40, highPercent: null } },
  ]);
  store.close();
  const again = await openDeviceStore(id);
  expect(await again.count('readings')).toBe(1);
  again.close();
});

test('entries leave the outbox for the log or for the refused ones, oldest first', async () => {
  const store = await openDeviceStore(id);
  await keepUnsent(store, [event('a'), event('b'), event('c')]);
  const { keys, events } = await oldestUnsent(store, 2);
  expect(events.map((each) => each.id)).toEqual(['a', 'b']);
  await settle(store, keys, [events[0]!], [{ event: events[1]!, problem }]);
  expect((await store.getAll('events')).map((each) => each.id)).toEqual(['a']);
  expect((await store.getAll('refused')).map(({ event: each }) => each.id)).toEqual(['b']);
  expect((await oldestUnsent(store, 9)).events.map((each) => each.id)).toEqual(['c']);
  await dropEntries(store, ['b']);
  expect(await store.count('refused')).toBe(0);
  store.close();
});

test('a page of the server’s log is kept with how far it reached, and nothing of one household shows under another', async () => {
  const store = await openDeviceStore(id);
  await keepPage(store, { events: [event('a')], reached: 7, more: false, epoch: 'first' });
  expect(await store.get('reached', 'log')).toBe(7);
  const other = await openDeviceStore(`${id}-other`);
  expect(await other.count('events')).toBe(0);
  other.close();
  store.close();
  await removeDeviceStore(id);
  const anew = await openDeviceStore(id);
  expect(await anew.count('events')).toBe(0);
  anew.close();
});

test('the log that is kept is read in parts, each entry once and as of one moment', async () => {
  const store = await openDeviceStore(id);
  const many = Array.from({ length: 4001 }, (_, at) => event(`e${String(at).padStart(5, '0')}`));
  await keepPage(store, { events: many, reached: 9, more: false, epoch: 'first' });
  const allOf = async () => {
    const ids: string[] = [];
    await readKeptLog(store, (part) => ids.push(...part.map((each) => each.id)));
    return ids;
  };
  const read = allOf();
  await keepPage(store, { events: [event('later')], reached: 10, more: false, epoch: 'first' });
  expect(await read).toEqual(many.map((each) => each.id));
  const work = store.transaction('events', 'readwrite');
  for (const each of many.slice(0, 4000)) void work.store.delete(each.id);
  await work.done;
  expect(await allOf()).toEqual(['e04000', 'later']);
  store.close();
  await removeDeviceStore(id);
});

test('what waits on this device is counted, of every household, and nothing else', async () => {
  const before = await waitingOnDevice();
  const [one, other] = [await openDeviceStore(id), await openDeviceStore(`${id}-other`)];
  await keepUnsent(one, [event('a'), event('b')]);
  await keepPage(one, { events: [event('c')], reached: 1, more: false, epoch: 'first' });
  await settle(one, [], [], [{ event: event('d'), problem }]);
  const reading = { at: '2026-06-01T12:00:00.000Z', percent: 45, tempC: null, lowPercent: null, highPercent: null };
  await other.add('readings', { sensorId: 'dial', reading });
  const card = { id: 'x', kind: 'spare', facts: {}, version: 1 } as never;
  await other.add('cardChanges', { kind: 'remove', card });
  await other.add('cardChanges', { kind: 'remove', card, problem });
  one.close();
  other.close();
  expect((await waitingOnDevice()) - before).toBe(4);
});
