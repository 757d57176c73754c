import { createHash } from 'node:crypto';
import { deserialize, serialize } from 'node:v8';
import { anEvent, anInstrument, openTestHousehold, TONIGHT } from '@/testing/household';
import { standInDevice } from '@/testing/device';
import { openDeviceStore, waitingOnDevice, waitingPhotos } from './device-store';
import { useLog } from './log';
import { useNotice } from './notice';
import { keepPhoto, letGo, photoBytes, removePhoto, sendAgain, sendPhotos } from './photos';
import { usePhotosWaiting } from './photos-waiting';

const heron = anInstrument('Heron', 'violin');
const bytes = Uint8Array.from(Buffer.from('a picture'));
const HASH = createHash('sha256').update(bytes).digest('hex');
const name = { instrumentId: heron.id, photo: HASH };

/** What the server has, by address; null: it does not answer. */
let stored: Map<string, Uint8Array> | null;
let refusal: { status: number; detail: string } | null;
const answer = (status: number, body: unknown) => ({
  ok: status < 400,
  status,
  json: () => Promise.resolve(body),
  blob: () => Promise.resolve({ arrayBuffer: () => Promise.resolve(body) }),
});

let households = 0;
beforeAll(() => {
  standInDevice();
  // Bytes stay bytes.
  Object.assign(globalThis, { structuredClone: (value: unknown) => deserialize(serialize(value)) as unknown });
});
beforeEach(() => {
  stored = new Map();
  refusal = null;
  jest.clearAllMocks();
  useNotice.setState({ notice: null });
  openTestHousehold(
    [heron],
    [anEvent(heron, 'photographed', TONIGHT - 1000, { photo: HASH, look: null, zone: null, findingId: null })],
  );
  // A household of its own each time.
  useLog.setState({ householdId: `household-${++households}` });
  global.fetch = ((url: string, init?: RequestInit) => {
    if (!stored) return Promise.reject(new TypeError('no network'));
    if (refusal) return Promise.resolve(answer(refusal.status, { type: '/problems/x', title: 'x', ...refusal }));
    if (init?.method === 'POST') {
      stored.set(url, bytes);
      return Promise.resolve(answer(201, { ...name, bytes: bytes.length, width: 1, height: 1 }));
    }
    if (init?.method === 'DELETE') {
      const there = stored.delete(url);
      return Promise.resolve(
        answer(there ? 204 : 404, { type: '/problems/x', title: 'x', status: 404, detail: 'gone' }),
      );
    }
    const found = stored.get(url);
    return Promise.resolve(
      found ? answer(200, found.buffer) : answer(404, { type: '/problems/x', title: 'x', status: 404, detail: 'gone' }),
    );
  }) as unknown as typeof fetch;
});

const householdId = () => useLog.getState().householdId!;
const waiting = () => usePhotosWaiting.getState();
const removals = async () => {
  const store = await openDeviceStore(householdId());
  const all = await store.getAll('photoRemovals');
  store.close();
  return all;
};

test('a photograph is kept under its hash, waits without a connection, and is sent once', async () => {
  stored = null;
  expect(await keepPhoto(heron.id, bytes)).toBe(HASH);
  await sendPhotos();
  expect(waiting()).toEqual({ [`${heron.id}/${HASH}`]: null });
  expect(await waitingPhotos(householdId())).toBe(1);
  expect(await waitingOnDevice()).toBeGreaterThanOrEqual(1);
  expect(Buffer.from(await photoBytes(name))).toEqual(Buffer.from(bytes));

  stored = new Map();
  await sendPhotos();
  expect([...stored.keys()]).toEqual([`/api/v1/instruments/${heron.id}/photos/${HASH}`]);
  expect(waiting()).toEqual({});
  // Kept for the next look, with no connection either.
  stored = null;
  expect(Buffer.from(await photoBytes(name))).toEqual(Buffer.from(bytes));
});

test('what the server will never take is kept with the reason, and tried again when asked', async () => {
  refusal = { status: 422, detail: 'A household keeps at most 2,000 photos. Remove some first.' };
  await keepPhoto(heron.id, bytes);
  await sendPhotos();
  expect(waiting()[`${heron.id}/${HASH}`]?.detail).toMatch(/at most/);
  refusal = { status: 503, detail: 'Busy.' };
  await sendAgain(name);
  expect(waiting()).toEqual({ [`${heron.id}/${HASH}`]: null });
  refusal = null;
  await sendPhotos();
  expect(waiting()).toEqual({});
});

test('removed, it can be put back for a while; then it goes from the server too', async () => {
  await keepPhoto(heron.id, bytes);
  await sendPhotos();
  const putBack = await removePhoto(name);
  // Signing out now must not forget it.
  expect(await waitingPhotos(householdId())).toBe(1);
  // Before its time nothing is removed.
  await sendPhotos();
  expect(stored!.size).toBe(1);
  await putBack();
  expect(await removals()).toEqual([]);

  await removePhoto(name);
  const later = Date.now() + 60_000;
  jest.spyOn(Date, 'now').mockReturnValue(later);
  await sendPhotos();
  jest.restoreAllMocks();
  expect(stored!.size).toBe(0);
  expect(await removals()).toEqual([]);
  await expect(photoBytes(name)).rejects.toThrow('gone');
});

test('one that was never sent is not sent after it was removed, unless it is put back', async () => {
  stored = null;
  const other = Uint8Array.from(Buffer.from('another picture'));
  const photo = (await keepPhoto(heron.id, other))!;
  const putBack = await removePhoto({ instrumentId: heron.id, photo });
  expect(waiting()).toEqual({});
  await putBack();
  expect(Object.keys(waiting())).toEqual([`${heron.id}/${photo}`]);
  await letGo({ instrumentId: heron.id, photo });
  expect(waiting()).toEqual({});
});

test('without a household, or where the browser keeps nothing, it is told', async () => {
  useLog.setState({ householdId: null });
  expect(await keepPhoto(heron.id, bytes)).toBeNull();
  expect(useNotice.getState().notice).toMatchObject({ problem: true, text: expect.stringMatching(/not kept/) });
});
