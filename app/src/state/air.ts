import type { Air, OperationId, PlaceRecord, ResponseOf, UnsentReading } from '@tembrin/contract';
import { create } from 'zustand';
import { call, Refused, type CallParts } from './api';
import { openLasting, type DeviceStore, type RefusedReading, type TypedReading } from './device-store';
import { loadOldReadings } from './load-seldom';
import { isFinal, oneTabAtATime } from './outbox';
import { MINUTE_MS } from '@tembrin/core/time';

interface AirState {
  householdId: string | null;
  /** null: not known on this device yet. */
  air: Air | null;
  /** Whether all was asked that could know it: this device, and where it does not, the server. */
  asked: boolean;
  unsent: readonly UnsentReading[];
  /** Readings the server would not take, by the keys this device keeps them under. */
  refused: ReadonlyMap<number, RefusedReading>;
  /** Whether the server answered when last asked. */
  reached: boolean;
}

const EMPTY: AirState = { householdId: null, air: null, asked: false, unsent: [], refused: new Map(), reached: true };

/** The household's air on this device: places, hygrometers, what their readings come to, the weather. */
export const useAir = create<AirState>()(() => EMPTY);

/** This device's store, while a household is open. */
const link: { store: DeviceStore | null } = { store: null };
/** The server is told how far back this device wants to hear: what may still change of what it has. */
const AGAIN_H = 48;
const LOOK_AGAIN_MS = MINUTE_MS;

/** Hour from which on news are asked for: before it, this device has everything already. */
function sinceOf({ records }: Air): number {
  const last = records.map(({ hours }) => hours.at(-1)?.[0] ?? 0);
  return last.length === 0 ? 0 : Math.max(0, Math.min(...last) - AGAIN_H);
}

function byKey<Row extends readonly [number, ...unknown[]]>(old: readonly Row[], fresh: readonly Row[]): Row[] {
  const from = fresh[0]?.[0] ?? Infinity;
  return [...old.filter(([key]) => key < from), ...fresh];
}

/** Puts news to what was known; a place whose record the news do not go into keeps its own. */
function withNews(old: Air, news: Air): Air {
  const known = new Map(old.records.map((record) => [record.placeId, record]));
  const records = news.records.map((record): PlaceRecord => {
    const before = known.get(record.placeId);
    return before
      ? {
          ...record,
          steady: before.steady,
          days: byKey(before.days, record.days),
          hours: byKey(before.hours, record.hours),
        }
      : record;
  });
  return { ...news, records };
}

/** Reads what is new, or everything: after something older than the last days changed. */
export async function refreshAir(everything = false): Promise<void> {
  const { householdId, air } = useAir.getState();
  const mine = link.store;
  if (!householdId) return;
  try {
    const since = everything || !air ? 0 : sinceOf(air);
    const news = await call('readAir', { query: { since } });
    if (useAir.getState().householdId !== householdId) return;
    const next = since > 0 && air ? withNews(air, news) : news;
    useAir.setState({ air: next, asked: true, reached: true });
    await mine?.put('air', next, 'air');
  } catch {
    if (useAir.getState().householdId === householdId) useAir.setState({ asked: true, reached: false });
  }
}

/** Readings that wait in a database of an earlier version come along; most devices have none. */
async function takeOld(mine: DeviceStore, householdId: string): Promise<void> {
  const all = await indexedDB.databases?.();
  if (all && !all.some(({ name }) => name === `tembrin-air-${householdId}`)) return;
  await (await loadOldReadings()).takeOldReadings(mine, householdId);
}

/** What was not sent yet is kept anew where the browser has cleared it away. */
async function keepAnew(fresh: DeviceStore, lost: DeviceStore): Promise<void> {
  if (link.store !== lost) return fresh.close();
  link.store = fresh;
  for (const reading of useAir.getState().unsent) await fresh.add('readings', reading);
  await sendReadings();
}

/** Opens a household's air: what this device kept first, then what the server has. @throws as a browser that keeps nothing does */
export async function openAir(householdId: string): Promise<void> {
  try {
    await readIn(householdId);
  } finally {
    // What did not come is not on its way any more.
    if (useAir.getState().householdId === householdId) useAir.setState({ asked: true });
  }
}

async function readIn(householdId: string): Promise<void> {
  if (useAir.getState().householdId !== householdId) {
    closeAir();
    useAir.setState({ ...EMPTY, householdId });
    const mine = await openLasting(householdId, keepAnew);
    if (useAir.getState().householdId !== householdId) return mine.close();
    link.store = mine;
    await takeOld(mine, householdId);
    const [air, unsent] = await Promise.all([mine.get('air', 'air'), mine.getAll('readings')]);
    const refused = await refusedOn(mine);
    if (link.store === mine) useAir.setState({ air: air ?? null, asked: air !== undefined, unsent, refused });
  }
  await sendReadings();
  await refreshAir();
}

function closeAir(): void {
  link.store?.close();
  link.store = null;
}

/** Lets go of the household's air. @returns readings that are not sent yet; they stay on this device */
export async function leaveAir(): Promise<number> {
  const { unsent } = useAir.getState();
  closeAir();
  useAir.setState(EMPTY);
  return unsent.length;
}

async function refusedOn(store: DeviceStore): Promise<ReadonlyMap<number, RefusedReading>> {
  const work = store.transaction('refusedReadings');
  const [keys, readings] = await Promise.all([work.store.getAllKeys(), work.store.getAll()]);
  return new Map(keys.map((key, at) => [key, readings[at]!]));
}

/**
 * Puts a reading on record: kept on this device, then sent.
 * @returns whether the server has it; otherwise it is kept here and sent later
 * @throws Refused when the server says that it cannot be; it is then not kept
 */
export async function takeReading(sensorId: string, reading: TypedReading): Promise<boolean> {
  const mine = link.store;
  if (!mine) throw new Error('No household is open.');
  const key = await mine.add('readings', { sensorId, reading });
  useAir.setState(({ unsent }) => ({ unsent: [...unsent, { sensorId, reading }] }));
  await sendReadings();
  const refused = useAir.getState().refused.get(key);
  if (!refused) return (await mine.getKey('readings', key)) === undefined;
  // Whoever types it is told there and then, and has it before their eyes.
  await dropReading(key);
  throw new Refused(refused.problem);
}

/** Takes a refused reading away for good. */
export async function dropReading(key: number): Promise<void> {
  await link.store?.delete('refusedReadings', key);
  if (link.store) useAir.setState({ refused: await refusedOn(link.store) });
}

/** Sends readings that are not sent yet, oldest first; those that are refused for good are kept apart with the reason. */
async function sendReadings(): Promise<void> {
  const mine = link.store;
  if (!mine) return;
  const sent = await oneTabAtATime('readings', () => sendKept(mine));
  if (sent && link.store === mine) await refreshAir();
}

async function sendKept(mine: DeviceStore): Promise<boolean> {
  for (let sent = false; ; sent = true) {
    const [key] = await mine.getAllKeys('readings', null, 1);
    const next = key === undefined ? undefined : await mine.get('readings', key);
    if (key === undefined || !next || link.store !== mine) return sent;
    try {
      await call('postReadings', { params: { id: next.sensorId }, body: { readings: [next.reading] } });
      await mine.delete('readings', key);
    } catch (error) {
      if (link.store !== mine) return sent;
      if (!isFinal(error)) {
        useAir.setState({ reached: false });
        return sent;
      }
      const work = mine.transaction(['readings', 'refusedReadings'], 'readwrite', { durability: 'strict' });
      void work.objectStore('refusedReadings').put({ ...next, problem: error.problem }, key);
      void work.objectStore('readings').delete(key);
      await work.done;
    }
    useAir.setState({ unsent: await mine.getAll('readings'), refused: await refusedOn(mine) });
  }
}

/** Takes a reading back, sent or not. */
export async function takeReadingBack(sensorId: string, reading: TypedReading): Promise<void> {
  const mine = link.store;
  const keys = (await mine?.getAllKeys('readings')) ?? [];
  for (const key of keys) {
    const kept = await mine!.get('readings', key);
    if (kept?.sensorId === sensorId && kept.reading.at === reading.at) {
      await mine!.delete('readings', key);
      useAir.setState({ unsent: await mine!.getAll('readings') });
      return;
    }
  }
  const atS = Math.floor(Date.parse(reading.at) / 1000);
  await changeAir('removeReading', { params: { id: sensorId, atS } });
}

/** Calls an operation that changes the air, and reads it anew. */
export async function changeAir<I extends OperationId>(id: I, parts: CallParts<I>): Promise<ResponseOf<I>> {
  const answer = await call(id, parts);
  await refreshAir(true);
  return answer;
}

/** Keeps the air up to date while the page is in sight. */
export function keepAirFresh(): () => void {
  const look = () => {
    if (document.visibilityState === 'visible' && link.store) void sendReadings().then(() => refreshAir());
  };
  const timer = setInterval(look, LOOK_AGAIN_MS);
  window.addEventListener('online', look);
  return () => {
    clearInterval(timer);
    window.removeEventListener('online', look);
  };
}
