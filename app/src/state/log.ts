import { EVENTS_PER_POST } from '@tembrin/contract/events';
import { v7 as uuid } from 'uuid';
import { call, OutOfReach, Refused } from './api';
import { sendCards } from './cards';
import { apply, EMPTY, merged, useLog, type Message } from './log-state';
import { isEarly, oneTabAtATime, outcomesOf } from './outbox';
import {
  askToPersist,
  dropEntries,
  keepPage,
  readKeptLog,
  keepUnsent,
  oldestUnsent,
  openLasting,
  settle,
  type DeviceStore,
} from './device-store';
import { loadAnew, loadPhotos } from './load-seldom';
import { notifyProblem } from './notice';
import { doneBy } from './who';
import type { EventOf, EventType, LogEvent } from '@tembrin/core/log';

export { useLog } from './log-state';

/** What the open log hangs on: this device's store, this browser's other tabs, and the next attempt to send. */
const link: {
  store: DeviceStore | null;
  channel: BroadcastChannel | null;
  retry: ReturnType<typeof setTimeout> | undefined;
  patienceMs: number;
  /** Entries on screen that the device is just keeping. */
  keeping: number;
  /** Ids of entries that are kept here and not sent yet. */
  waiting: Set<string>;
  /** Resolves once what the device keeps was read: what the server has besides makes a whole only with that. */
  read: Promise<void>;
  /** The look at the server that is under way, and the one that follows it. */
  looking: Promise<void>;
  nextLook: Promise<void> | null;
} = {
  store: null,
  channel: null,
  retry: undefined,
  patienceMs: 0,
  keeping: 0,
  waiting: new Set(),
  read: Promise.resolve(),
  looking: Promise.resolve(),
  nextLook: null,
};
const FIRST_RETRY_MS = 1_000;
const LONGEST_RETRY_MS = 30_000;
const LOOK_AGAIN_MS = 60_000;
/** Fewer entries to come are there before anybody has read how many. From memory. */
const TOLD_FROM = 30_000;

/** Applies a change here and in this browser's other tabs. */
function tell(message: Message): void {
  apply(message);
  link.channel?.postMessage(message);
}

/** An event about to be recorded. */
export interface Draft<T extends EventType = EventType> {
  type: T;
  payload: EventOf<T>['payload'];
  /** When it happened, ms; now when left out. */
  at?: number;
}

/** Makes an event of a draft, with an id and times of its own. */
export function written<T extends EventType>(instrumentId: string, { type, payload, at }: Draft<T>): EventOf<T> {
  const nowMs = Date.now();
  return {
    id: uuid(),
    instrumentId,
    type,
    occurredAt: new Date(at ?? nowMs).toISOString(),
    recordedAt: new Date(nowMs).toISOString(),
    ...doneBy(),
    payload,
  } as EventOf<T>;
}

/**
 * Resolves once what this device keeps of the log was read: before, nothing can be said of what is recorded. null where it was, so that
 * what is recorded then is on screen at once.
 */
export function logOpened(): Promise<void> | null {
  const isOpen = ({ householdId, opened }: { householdId: string | null; opened: boolean }) =>
    householdId === null || opened;
  if (isOpen(useLog.getState())) return null;
  return new Promise((resolve) => {
    const stop = useLog.subscribe((state) => {
      if (!isOpen(state)) return;
      stop();
      resolve();
    });
  });
}

/**
 * Writes events into the log: on screen at once, kept on this device, then sent.
 * @throws when this device cannot keep them; they are then not in the log
 */
export async function record(events: readonly LogEvent[]): Promise<void> {
  const opened = logOpened();
  if (opened) await opened;
  const mine = link.store;
  if (!mine) throw new Error('No household is open.');
  // On screen before it is kept, so that the next tap already meets what comes next; counted among what is kept once it is.
  apply({ kind: 'recorded', events, unsent: useLog.getState().unsent });
  link.keeping += events.length;
  askToPersist();
  try {
    await keepUnsent(mine, events);
    for (const { id } of events) link.waiting.add(id);
  } catch (error) {
    apply({ kind: 'withdrawn', events });
    throw error;
  } finally {
    link.keeping -= events.length;
  }
  tell({ kind: 'recorded', events, unsent: await mine.count('outbox') });
  void send();
}

/** Sends what is unsent, oldest first; one tab at a time. */
export async function send(): Promise<void> {
  clearTimeout(link.retry);
  const mine = link.store;
  if (!mine) return;
  let behind = false;
  try {
    await oneTabAtATime('outbox', async () => {
      let most = EVENTS_PER_POST;
      for (;;) {
        const { keys, events } = await oldestUnsent(mine, most);
        // One household's entries are never sent under another's sign-in.
        if (link.store !== mine) return;
        if (keys.length === 0) break;
        const answer = await outcomesOf(events);
        // Signed out meanwhile: the entries stay in the outbox, and sending them again is harmless.
        if (link.store !== mine) return;
        if (answer === 'too-much') {
          most = Math.ceil(events.length / 2);
          continue;
        }
        most = EVENTS_PER_POST;
        const waiting = answer.refused.filter(isEarly).map(({ event }) => event);
        behind = waiting.length > 0;
        const settled = keys.filter((_key, at) => !waiting.includes(events[at]!));
        if (settled.length === 0) break;
        const refused = answer.refused.filter((entry) => !isEarly(entry));
        await settle(mine, settled, answer.stored, refused);
        for (const { id } of [...answer.stored, ...refused.map(({ event }) => event)]) link.waiting.delete(id);
        tell({ kind: 'settled', stored: answer.stored, refused, unsent: await mine.count('outbox') });
      }
    });
    link.patienceMs = 0;
    if (link.store === mine) useLog.setState({ line: behind ? 'behind' : 'open' });
  } catch (error) {
    if (link.store !== mine) return;
    if (error instanceof Refused && error.problem.status === 401) return useLog.setState({ line: 'signed-out' });
    useLog.setState({ line: 'down' });
    link.patienceMs = Math.min(LONGEST_RETRY_MS, Math.max(FIRST_RETRY_MS, link.patienceMs * 2));
    link.retry = setTimeout(() => void send(), link.patienceMs);
  }
}

/** Photographs wait apart; what sends them is loaded where some do. */
async function sendPhotos(): Promise<void> {
  const [waiting, removals] = await Promise.all(
    (['photoOutbox', 'photoRemovals'] as const).map((name) => link.store?.count(name)),
  ).catch(() => []);
  // What fails now is tried again with the next look.
  if (waiting || removals)
    await loadPhotos()
      .then(
        (photos) => photos.sendPhotos(),
        () => undefined,
      )
      .catch(() => undefined);
}

/**
 * Reads what the server has stored since last time. Looks do not overlap: one that is asked for meanwhile follows, and stands
 * for all that are asked for until it begins.
 */
export function look(): Promise<void> {
  link.nextLook ??= link.looking.then(() => {
    link.nextLook = null;
    return lookOnce();
  });
  link.looking = link.nextLook;
  return link.nextLook;
}

async function lookOnce(): Promise<void> {
  const mine = link.store;
  if (!mine) return;
  try {
    await link.read;
    let after = (await mine.get('reached', 'log')) ?? 0;
    const epoch = await mine.get('epoch', 'epoch');
    // Each page shows at once, and is kept while the next is on its way.
    let kept = Promise.resolve();
    for (let more = true; more && link.store === mine;) {
      const page = await call('readLog', { query: { after } });
      if (link.store !== mine) return;
      if ((epoch !== undefined && page.epoch !== epoch) || page.reached < after) return await lookAnew(mine);
      await kept;
      kept = keepPage(mine, page);
      // Told below, when the next page is there.
      kept.catch(() => undefined);
      ({ more, reached: after } = page);
      useLog.setState((state) => ({
        events: merged(state.events, page.events),
        complete: more ? state.complete : 'all',
        share: more && (state.share !== null || page.last - after > TOLD_FROM) ? after / page.last : null,
      }));
    }
    await kept;
  } catch (error) {
    if (link.store !== mine) return;
    useLog.setState({ share: null });
    if (error instanceof Refused && error.problem.status === 401) useLog.setState({ line: 'signed-out' });
    else if (error instanceof OutOfReach) useLog.setState({ line: 'down' });
  }
}

let readAnewOf: () => void = () => undefined;
/** Has something done once the log was read from its beginning: what else is known may be another's, too. */
export const whenReadAnew = (work: () => void): void => {
  readAnewOf = work;
};

/**
 * The server's log is another than before, put back from a backup: it is read from its beginning, and offered what it lacks. Or it is
 * the same, and other instruments of it are seen.
 */
async function lookAnew(mine: DeviceStore): Promise<void> {
  const { readAnew } = await loadAnew();
  const isOpen = () => link.store === mine;
  const offered = await readAnew(mine, isOpen, (events) =>
    useLog.setState((state) => ({ events: merged(state.events, events) })),
  );
  if (!isOpen()) return;
  for (const { id } of offered) link.waiting.add(id);
  useLog.setState({ complete: 'all' });
  tell({ kind: 'recorded', events: offered, unsent: await mine.count('outbox') });
  if (offered.length > 0) void send();
  readAnewOf();
}

/** The browser has cleared away what was kept here while it was open: what is not sent yet is kept anew, and said. */
async function keepAnew(fresh: DeviceStore, lost: DeviceStore): Promise<void> {
  if (link.store !== lost) return fresh.close();
  link.store = fresh;
  const { events, refused } = useLog.getState();
  const unsent = Object.values(events)
    .flat()
    .filter(({ id }) => link.waiting.has(id))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  await keepUnsent(fresh, unsent);
  for (const entry of refused) await fresh.put('refused', entry);
  notifyProblem(CLEARED);
  await send();
  await look();
}

const CLEARED = 'This browser cleared away what was kept here. What was not sent yet is kept anew; give it more room.';

/**
 * Opens a household's log on this device: what is kept here first, then what the server has.
 * @param firstId instrument whose log is wanted first
 * @param firstRead called once that one's log is there: the others are read after what it returns, so that reading them does
 * not keep its screen waiting
 */
export async function openLog(
  householdId: string,
  firstId: string | null,
  firstRead: (instrumentId: string) => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  if (useLog.getState().householdId === householdId) {
    await send();
    return look();
  }
  closeLog();
  useLog.setState({ ...EMPTY, householdId });
  const mine = await openLasting(householdId, keepAnew).catch((error: unknown) => {
    // A browser that keeps nothing has nothing to be read.
    if (useLog.getState().householdId === householdId) useLog.setState({ opened: true, read: true });
    throw error;
  });
  if (useLog.getState().householdId !== householdId) return mine.close();
  link.store = mine;
  link.channel = new BroadcastChannel(`tembrin-${householdId}`);
  link.channel.onmessage = ({ data }: MessageEvent<Message>) => apply(data);

  const reading = readIn(mine, firstId, firstRead).finally(() => {
    // However it ended, nothing more comes of it: what waited for it goes on with what is here.
    if (link.read === reading) useLog.setState({ read: true });
  });
  link.read = reading;
  await link.read;
  if (link.store === mine) await look();
  void sendPhotos();
}

/** Reads what the device keeps, the instrument on the stand first; on a new device that one's log from the server. */
async function readIn(mine: DeviceStore, firstId: string | null, firstRead: (id: string) => Promise<void>) {
  const [first, unsent, refused, whole] = await readKept(mine, firstId);
  if (link.store !== mine) return;
  const events = merged(merged({}, first), unsent);
  link.waiting = new Set(unsent.map(({ id }) => id));
  // A page that was closed while the log came in has kept a part of it, which is none to judge by.
  const kept = whole !== undefined;
  const complete = new Set(kept && firstId ? [firstId] : []);
  useLog.setState({ opened: true, events, unsent: unsent.length, refused, complete });
  void send();
  if (firstId) {
    if (!kept) await readFirst(firstId, mine);
    await firstRead(firstId);
    if (link.store !== mine) return;
  }
  await readKeptLog(mine, (part) => {
    if (link.store === mine) useLog.setState((state) => ({ events: merged(state.events, part) }));
  });
  if (link.store !== mine) return;
  useLog.setState((state) => ({ read: true, complete: kept ? 'all' : state.complete }));
}

/** What the device keeps, as of one moment: an entry that is just being settled is in one of the lists, not between them. */
function readKept(mine: DeviceStore, firstId: string | null) {
  const kept = mine.transaction(['events', 'outbox', 'refused', 'reached']);
  return Promise.all([
    firstId ? kept.objectStore('events').index('instrument').getAll(firstId) : [],
    kept.objectStore('outbox').getAll(),
    kept.objectStore('refused').getAll(),
    kept.objectStore('reached').get('whole'),
  ]);
}

/** On a new device the log of the instrument on the stand is fetched before the others. */
async function readFirst(instrumentId: string, mine: DeviceStore): Promise<void> {
  try {
    for (let after = 0, more = true; more;) {
      const page = await call('readLog', { query: { after, instrumentId } });
      if (link.store !== mine) return;
      after = page.reached;
      more = page.more;
      useLog.setState(({ events, complete }) => ({
        events: merged(events, page.events),
        complete: more || complete === 'all' ? complete : new Set([...complete, instrumentId]),
      }));
    }
  } catch (error) {
    if (link.store === mine && error instanceof OutOfReach) useLog.setState({ line: 'down' });
  }
}

/** Takes refused entries away for good. */
export async function dropRefused(...ids: readonly string[]): Promise<void> {
  if (link.store) await dropEntries(link.store, ids);
  tell({ kind: 'dropped', ids });
}

/** Lets go of the household. @returns entries that are not sent yet; they stay on this device */
export async function leaveLog(): Promise<number> {
  const unsent = useLog.getState().unsent + link.keeping;
  closeLog();
  useLog.setState(EMPTY);
  return unsent;
}

function closeLog(): void {
  clearTimeout(link.retry);
  link.store?.close();
  link.store = null;
  link.channel?.close();
  link.channel = null;
  // Another household's log does not wait for this one's.
  link.read = Promise.resolve();
  link.looking = Promise.resolve();
  link.nextLook = null;
}

/** Sends and looks again when the connection or the page comes back, and every minute while it is open. */
export function keepInStep(): () => void {
  const again = () => {
    if (document.visibilityState === 'hidden') return;
    void send().then(look);
    void sendCards();
    void sendPhotos();
  };
  const timer = setInterval(again, LOOK_AGAIN_MS);
  window.addEventListener('online', again);
  document.addEventListener('visibilitychange', again);
  return () => {
    clearInterval(timer);
    window.removeEventListener('online', again);
    document.removeEventListener('visibilitychange', again);
  };
}
