import { standInDevice } from '@/testing/device';
import { until } from '@/testing/until';
import type { Household } from '@tembrin/contract';
import { act } from './actions';
import { useAir } from './air';
import { useAssessmentStore } from './assessment-store';
import { useCardStore } from './cards';
import { openDeviceStore } from './device-store';
import { checkIn, signOut, useHousehold } from './household';
import { openLog, useLog } from './log';
import { useNotice } from './notice';
import { usualFacts } from '@tembrin/core/instruments';

let households = 0;
let household: Household;
/** Whether the server takes entries. */
let taking: boolean;
const json = (body: unknown) => ({ ok: true, status: 200, json: async () => body }) as Response;

beforeAll(standInDevice);
beforeEach(() => {
  taking = true;
  const heron = {
    id: 'heron',
    name: 'Heron',
    ...usualFacts('violin'),
    addedAt: '2026-01-01T12:00:00.000Z',
    version: 1,
  };
  household = {
    id: `household-${++households}`,
    name: 'Ours',
    timeZone: 'UTC',
    schools: {},
    version: 1,
    role: 'keeper',
    people: [],
    instruments: [heron],
  } as unknown as Household;
  globalThis.fetch = (async (url: string, init: RequestInit) => {
    const path = url.replace('/api/v1', '').replace(/\?.*/, '');
    if (path === '/sign-out') return { ok: true, status: 204 } as Response;
    if (path === '/household') return json(household);
    if (path === '/cards') return json({ cards: [] });
    if (path === '/air') return json({ places: [], sensors: [], records: [], weather: null });
    if (path === '/events' && init.method === 'GET') return json({ events: [], reached: 0, more: false });
    if (!taking) throw new TypeError('Failed to fetch');
    const { events } = JSON.parse(init.body as string) as { events: { id: string }[] };
    return json({ outcomes: events.map(({ id }, index) => ({ index, id, outcome: 'stored' })) });
  }) as typeof fetch;
});
afterEach(signOut);

const kept = async () => {
  const store = await openDeviceStore(household.id);
  const counts = [await store.count('events'), await store.count('outbox')];
  store.close();
  return counts;
};

test('signing out leaves nothing of what is sent on this device', async () => {
  await checkIn();
  await until(({ complete }) => complete === 'all');
  await act('heron', [{ type: 'rosined', payload: {} }], null);
  await until(({ unsent }) => unsent === 0);
  await signOut();
  expect(useHousehold.getState()).toEqual({ status: 'out', household: null });
  expect(await kept()).toEqual([0, 0]);
});

test('what is not sent yet outlives signing out, and is there when the same household opens again', async () => {
  await checkIn();
  await until(({ complete }) => complete === 'all');
  taking = false;
  await act('heron', [{ type: 'rosined', payload: {} }], null);
  await until(({ unsent }) => unsent === 1);
  await signOut();
  await openLog(household.id, 'heron');
  expect(useLog.getState().events.heron).toHaveLength(1);
});

test('an entry that cannot stand is refused before it is made, in the words the server would use', async () => {
  await checkIn();
  await until(({ complete }) => complete === 'all');
  const ahead = Date.now() + 86_400_000;
  const made = await act('heron', [{ type: 'rosined', at: ahead, payload: {} }], 'Rosined.');
  expect(made).toEqual([]);
  expect(useLog.getState().events.heron ?? []).toEqual([]);
  expect(useNotice.getState().notice).toMatchObject({ problem: true, text: expect.stringMatching(/future/) });
  await act('heron', [{ type: 'strings-fitted', payload: { strings: [9], reason: 'worn', known: true } }], null);
  expect(useNotice.getState().notice).toMatchObject({ problem: true, text: expect.stringMatching(/string/) });
});

test.each([
  ['the stand is judged before its air is known', '/now', false],
  ['so it is where somebody signs in', '/sign-in', false],
  ['a page beside it is judged with the air, once', '/air/wood/heron', true],
])('%s', async (_what, path, withAir) => {
  history.replaceState(null, '', path);
  const asked: boolean[] = [];
  const stop = useAssessmentStore.subscribe(({ watched }) => {
    if (watched.heron === 1) asked.push(useAir.getState().asked && useCardStore.getState().asked);
  });
  await checkIn();
  await until(({ read }) => read);
  stop();
  expect(asked).toEqual([withAir]);
});
