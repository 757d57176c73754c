import { standInDevice } from '@/testing/device';
import { until } from '@/testing/until';
import { forceCloseDatabase } from 'fake-indexeddb';
import { openDB, unwrap } from 'idb';
import type { BodyInputOf } from '@tembrin/contract';
import { act, takeBack } from './actions';
import { dropRefused, leaveLog, look, openLog, record, send, useLog, whenReadAnew, written } from './log';
import { rulesComing } from './rules';
import { setWho } from './who';
import { useNotice } from './notice';
import type { LogEvent } from '@tembrin/core/log';

/** A server that can be out of reach, forget its visitors, and dislikes some events. */
class StandInServer {
  stored: LogEvent[] = [];
  reach: 'open' | 'down' | 'signed-out' | 'lost-answer' = 'open';
  refuses: (event: LogEvent) => boolean = () => false;
  refusal = '/problems/x';
  /** Answers a whole batch with this status where one of its events is such. */
  chokes: { on: (event: LogEvent) => boolean; status: number } = { on: () => false, status: 413 };
  posts = 0;
  perPage = Infinity;
  /** So many more entries than it is asked for, as it says. */
  longer = 0;
  epoch = 'first';

  answer = async (url: string, init: RequestInit): Promise<Response> => {
    if (this.reach === 'down') throw new TypeError('Failed to fetch');
    const json = (body: unknown, status = 200) => ({ ok: status < 400, status, json: async () => body }) as Response;
    const problem = { type: '/problems/x', title: 'x', status: 401, detail: 'You are not signed in.' };
    if (this.reach === 'signed-out') return json(problem, 401);
    if (init.method === 'GET') {
      const query = new URL(url, 'http://stand').searchParams;
      const after = Number(query.get('after') ?? 0);
      const wanted = this.stored
        .slice(after)
        .filter((event) => !query.has('instrumentId') || event.instrumentId === query.get('instrumentId'));
      const page = wanted.slice(0, this.perPage);
      const more = page.length < wanted.length;
      const reached = more ? this.stored.indexOf(page.at(-1)!) + 1 : this.stored.length;
      const last = this.longer + this.stored.length;
      return json({ events: page, reached, more, last, epoch: this.epoch });
    }
    this.posts++;
    const { events } = JSON.parse(init.body as string) as BodyInputOf<'postEvents'>;
    if ((events as LogEvent[]).some(this.chokes.on))
      return json({ ...problem, status: this.chokes.status, detail: 'That is too much.' }, this.chokes.status);
    const outcomes = (events as LogEvent[]).map((event, index) => {
      if (this.refuses(event))
        return {
          index,
          id: event.id,
          outcome: 'refused',
          problem: { ...problem, type: this.refusal, status: 422, detail: 'It overlaps another.' },
        };
      const known = this.stored.some(({ id }) => id === event.id);
      if (!known) this.stored.push(event);
      return { index, id: event.id, outcome: known ? 'known' : 'stored' };
    });
    if (this.reach === 'lost-answer') throw new TypeError('Failed to fetch');
    return json({ outcomes });
  };
}

let server: StandInServer;
let households = 0;
let household: string;
const rosined = (instrumentId = 'heron') => act(instrumentId, [{ type: 'rosined', payload: {} }], 'Rosined.');
const ids = (instrumentId = 'heron') => (useLog.getState().events[instrumentId] ?? []).map(({ id }) => id);
const sent = () => until(({ unsent }) => unsent === 0);

beforeAll(async () => {
  standInDevice();
  await rulesComing();
});
beforeEach(async () => {
  server = new StandInServer();
  globalThis.fetch = server.answer as typeof fetch;
  household = `household-${++households}`;
  await openLog(household, 'heron');
});
afterEach(() => leaveLog());

test('what is recorded shows at once and is sent', async () => {
  await rosined();
  expect(ids()).toHaveLength(1);
  await sent();
  expect(server.stored.map(({ id }) => id)).toEqual(ids());
  expect(useLog.getState()).toMatchObject({ unsent: 0, line: 'open' });
});

test('out of reach it is kept, and sent once when the server is back', async () => {
  server.reach = 'down';
  await rosined();
  await rosined();
  await until(({ line, unsent }) => line === 'down' && unsent === 2);
  expect(useLog.getState()).toMatchObject({ unsent: 2, line: 'down' });
  server.reach = 'open';
  await Promise.all([send(), send()]);
  expect(server.stored).toHaveLength(2);
  expect(useLog.getState()).toMatchObject({ unsent: 0, line: 'open' });
});

test('an answer lost on the way doubles nothing', async () => {
  server.reach = 'lost-answer';
  await rosined();
  await until(({ line }) => line === 'down');
  expect(useLog.getState().unsent).toBe(1);
  server.reach = 'open';
  await send();
  expect(server.stored).toHaveLength(1);
  expect(ids()).toHaveLength(1);
});

test('what is counted as kept here is kept: before, it is on screen and not counted', async () => {
  server.reach = 'down';
  const recording = rosined();
  expect(ids()).toHaveLength(1);
  expect(useLog.getState().unsent).toBe(0);
  // Whoever leaves in that moment leaves it on the device.
  const left = await leaveLog();
  expect(left).toBe(1);
  await recording.catch(() => undefined);
});

test('it survives the page being closed', async () => {
  server.reach = 'down';
  await rosined();
  await until(({ line }) => line === 'down');
  const before = ids();
  expect(await leaveLog()).toBe(1);
  expect(ids()).toEqual([]);
  await openLog(household, 'heron');
  expect(ids()).toEqual(before);
  expect(useLog.getState().unsent).toBe(1);
  server.reach = 'open';
  await send();
  expect(server.stored.map(({ id }) => id)).toEqual(before);
});

test('a refused entry leaves the log and waits with its reason until it is dropped', async () => {
  server.refuses = ({ instrumentId }) => instrumentId === 'wren';
  await rosined('wren');
  await rosined('heron');
  await until(({ refused, unsent }) => refused.length === 1 && unsent === 0);
  expect([ids('wren'), ids('heron')].map(({ length }) => length)).toEqual([0, 1]);
  const { event, problem } = useLog.getState().refused[0]!;
  expect(problem.detail).toBe('It overlaps another.');
  await leaveLog();
  await openLog(household, 'heron');
  expect(useLog.getState().refused).toHaveLength(1);
  await dropRefused(event.id);
  expect(useLog.getState().refused).toEqual([]);
});

test('one entry the server chokes on for good holds up no other, and none is lost', async () => {
  server.reach = 'down';
  for (const name of ['heron', 'wren', 'heron', 'heron', 'heron']) await rosined(name);
  await until(({ unsent }) => unsent === 5);
  server.chokes = { on: ({ instrumentId }) => instrumentId === 'wren', status: 413 };
  server.reach = 'open';
  await send();
  expect(server.stored).toHaveLength(4);
  const { refused, unsent, line } = useLog.getState();
  expect([unsent, line]).toEqual([0, 'open']);
  expect(refused).toMatchObject([{ event: { instrumentId: 'wren' }, problem: { detail: 'That is too much.' } }]);
});

test.each([408, 425, 429, 500, 502, 503])('answered %d, entries are kept and tried again', async (status) => {
  server.chokes = { on: () => true, status };
  await rosined();
  await until(({ line }) => line === 'down');
  expect(useLog.getState()).toMatchObject({ unsent: 1, refused: [] });
  server.chokes = { on: () => false, status };
  await send();
  expect(server.stored).toHaveLength(1);
  expect(useLog.getState()).toMatchObject({ unsent: 0, refused: [], line: 'open' });
});

test('where the server’s clock is behind, what it takes for the future waits, and is sent once it has caught up', async () => {
  let behind = true;
  server.refuses = ({ instrumentId }) => behind && instrumentId === 'wren';
  server.refusal = '/problems/in-the-future';
  await rosined('wren');
  await rosined('heron');
  await until(({ line, unsent }) => line === 'behind' && unsent === 1);
  expect(useLog.getState().refused).toEqual([]);
  expect([ids('wren'), ids('heron')].map(({ length }) => length)).toEqual([1, 1]);
  behind = false;
  await send();
  expect(useLog.getState()).toMatchObject({ line: 'open', unsent: 0, refused: [] });
  expect(server.stored).toHaveLength(2);
});

test('what is of the future here too is refused', async () => {
  server.refuses = () => true;
  server.refusal = '/problems/in-the-future';
  await record([written('heron', { type: 'rosined', payload: {}, at: Date.now() + 7_200_000 })]);
  await until(({ refused, unsent }) => refused.length === 1 && unsent === 0);
});

test('on a new device the instrument on the stand is read first, and the others wait for its screen', async () => {
  await rosined('wren');
  await rosined('heron');
  await sent();
  await leaveLog();
  let there!: () => Promise<void>;
  const first = new Promise<string>((tell) => {
    const opened = openLog(`household-${++households}`, 'heron', (id) => {
      tell(id);
      return new Promise((resolve) => (there = () => (resolve(), opened)));
    });
  });
  expect(await first).toBe('heron');
  expect([ids('heron'), ids('wren')].map(({ length }) => length)).toEqual([1, 0]);
  expect(useLog.getState().complete).toEqual(new Set(['heron']));
  await there();
  expect(ids('wren')).toHaveLength(1);
  expect(useLog.getState().complete).toBe('all');
});

test('what the server has besides makes no whole before what the device keeps was read', async () => {
  await rosined('wren');
  await sent();
  await openLog(household, 'heron');
  await leaveLog();
  let judged!: () => void;
  const opened = openLog(household, 'heron', () => new Promise((resolve) => (judged = resolve)));
  await until(({ complete }) => complete !== 'all' && complete.has('heron'));
  // As when the household comes from the server once more, and by the minute.
  const again = [openLog(household, 'heron'), look()];
  // Time enough for what should wait.
  for (let round = 0; round < 8; round++) await send();
  expect([useLog.getState().complete, ids('wren')]).toEqual([new Set(['heron']), []]);
  judged();
  await Promise.all([opened, ...again]);
  expect([useLog.getState().complete, ids('wren').length]).toEqual(['all', 1]);
});

test('a device that cannot be read to its end keeps nobody waiting for the rest', async () => {
  await leaveLog();
  const broken = () => Promise.reject(new Error('The device gives up.'));
  await expect(openLog(`household-${++households}`, 'heron', broken)).rejects.toThrow('gives up');
  expect(useLog.getState()).toMatchObject({ opened: true, read: true });
});

test('a page closed while the log was coming in leaves a part, which is not called whole', async () => {
  for (let at = 0; at < 6; at++)
    server.stored.push(written(at % 2 ? 'wren' : 'heron', { type: 'rosined', payload: {} }));
  await leaveLog();
  household = `household-${++households}`;
  server.perPage = 2;
  // The connection goes after the first page of all.
  let pages = 0;
  globalThis.fetch = (async (url: string, init: RequestInit) => {
    if (new URL(url, 'http://stand').searchParams.has('instrumentId')) return server.answer(url, init);
    if (++pages > 1) server.reach = 'down';
    return server.answer(url, init);
  }) as typeof fetch;
  await openLog(household, 'heron');
  await leaveLog();
  await openLog(household, 'heron');
  expect(useLog.getState().complete).not.toBe('all');
  server.reach = 'open';
  globalThis.fetch = server.answer as typeof fetch;
  await look();
  expect(useLog.getState().complete).toBe('all');
  expect(ids('heron').length + ids('wren').length).toBe(6);
  await leaveLog();
  server.reach = 'down';
  await openLog(household, 'heron');
  expect(useLog.getState().complete).toBe('all');
});

test('of a large log it is told how far it has come; broken off, it goes on from there', async () => {
  for (let at = 0; at < 9; at++) server.stored.push(written('wren', { type: 'rosined', payload: {} }));
  server.perPage = 2;
  const told: number[] = [];
  const stop = useLog.subscribe(({ share }) => share !== null && told.push(share));
  await look();
  expect(told).toEqual([]);
  for (let at = 0; at < 8; at++) server.stored.push(written('wren', { type: 'rosined', payload: {} }));
  server.longer = 100_000;
  const asked: string[] = [];
  globalThis.fetch = (async (url: string, init: RequestInit) => {
    asked.push(new URL(url, 'http://stand').searchParams.get('after') ?? '');
    if (asked.length === 3) throw new TypeError('Failed to fetch');
    return server.answer(url, init);
  }) as typeof fetch;
  await look();
  expect(told.at(-1)).toBeCloseTo(13 / 100_017);
  expect(useLog.getState()).toMatchObject({ share: null, line: 'down' });
  await look();
  expect(asked).toEqual(['9', '11', '13', '13', '15']);
  expect(useLog.getState().share).toBeNull();
  expect(ids('wren')).toHaveLength(17);
  stop();
});

test('signed out, entries wait', async () => {
  server.reach = 'signed-out';
  await rosined();
  await until(({ line }) => line === 'signed-out');
  expect(useLog.getState()).toMatchObject({ unsent: 1, line: 'signed-out' });
});

test('what another device stored comes in, once', async () => {
  const [event] = await rosined();
  await sent();
  server.stored.push({ ...event!, id: 'from-elsewhere' });
  await look();
  await look();
  expect(ids()).toEqual([event!.id, 'from-elsewhere']);
});

test('undo retracts, newest first', async () => {
  const events = await act(
    'heron',
    [
      { type: 'rosined', payload: {} },
      { type: 'hair-looked-over', payload: {} },
    ],
    'Done.',
  );
  expect(useNotice.getState().notice?.text).toBe('Done.');
  await takeBack(events);
  await sent();
  expect(server.stored.slice(2).map(({ type, payload }) => [type, payload])).toEqual([
    ['retracted', { eventId: events[1]!.id }],
    ['retracted', { eventId: events[0]!.id }],
  ]);
});

describe('after the server was put back from a backup', () => {
  test.each(['another epoch', 'a shorter log'])('told by %s, what it lacks is sent again', async (by) => {
    await rosined();
    await rosined();
    await rosined();
    await sent();
    await look();
    const all = ids();
    // The backup is of the time after the first; since then it has taken in something from elsewhere.
    server.stored = server.stored.slice(0, 1);
    if (by === 'another epoch') {
      server.epoch = 'second';
      for (let other = 0; other < 3; other++) server.stored.push(written('gull', { type: 'rosined', payload: {} }));
    }
    server.perPage = 2;
    await look();
    await sent();
    expect(new Set(server.stored.map(({ id }) => id))).toEqual(new Set([...all, ...ids('gull')]));
    expect(ids('gull')).toHaveLength(by === 'another epoch' ? 3 : 0);
    expect(ids()).toEqual(all);
    const posts = server.posts;
    await look();
    expect(server.posts).toBe(posts);
  });

  test('what it will not have again is kept with the reason', async () => {
    await rosined();
    await sent();
    await look();
    server.stored = [];
    server.epoch = 'second';
    server.refuses = () => true;
    await look();
    await until(({ refused }) => refused.length === 1);
    expect(ids()).toEqual([]);
    expect(useLog.getState().unsent).toBe(0);
  });
});

describe('where others of the log are seen than before', () => {
  test('it is read anew; what is not seen any more goes from here, and nothing is sent again', async () => {
    server.epoch = 'first~one';
    await rosined('heron');
    await rosined('gull');
    await sent();
    await look();
    const told = jest.fn();
    whenReadAnew(told);
    const [heron] = server.stored;
    server.stored = [heron!];
    server.epoch = 'first~other';
    const posts = server.posts;
    await look();
    expect(server.posts).toBe(posts);
    expect(told).toHaveBeenCalledTimes(1);
    expect(useLog.getState().unsent).toBe(0);
    // What the device keeps is what is seen.
    await leaveLog();
    server.reach = 'down';
    await openLog(household, 'heron');
    expect([ids('heron'), ids('gull')]).toEqual([[heron!.id], []]);
  });
});

test('what is recorded says who did it, where that is known', () => {
  setWho('wren');
  expect(written('heron', { type: 'rosined', payload: {} }).by).toBe('wren');
  setWho(null);
  expect(written('heron', { type: 'rosined', payload: {} })).not.toHaveProperty('by');
});

/** What a browser does that is short of room: the data are gone, and whoever had them open is told. */
async function clearAway(name: string): Promise<void> {
  const probe = await openDB(name);
  const stores = [...probe.objectStoreNames];
  const work = probe.transaction(stores, 'readwrite');
  for (const store of stores) void work.objectStore(store).clear();
  await work.done;
  const { connections } = (unwrap(probe) as unknown as { _rawDatabase: { connections: IDBDatabase[] } })._rawDatabase;
  const others = connections.filter((each) => each !== unwrap(probe));
  probe.close();
  others.forEach((each) => forceCloseDatabase(each as never));
}

test('what the browser clears away while it is open is kept anew and said', async () => {
  await rosined();
  await sent();
  await look();
  server.reach = 'down';
  await rosined();
  await rosined();
  await until(({ unsent }) => unsent === 2);
  const all = ids();
  const told = new Promise<void>((resolve) => {
    const stop = useNotice.subscribe(({ notice }) => {
      if (!notice?.text.includes('cleared away')) return;
      stop();
      resolve();
    });
  });
  await clearAway(`tembrin-${household}`);
  await told;
  await leaveLog();
  server.reach = 'open';
  await openLog(household, 'heron');
  await sent();
  expect(server.stored.map(({ id }) => id).sort()).toEqual([...all].sort());
});
