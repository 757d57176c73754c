import { enter } from '@/state/actions';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import type { LogEvent } from '@tembrin/core/log';
import { useWork } from './use-cupboard';

jest.mock('expo-router', () => ({ router: { push: jest.fn(), replace: jest.fn() } }));
jest.mock('@/state/actions', () => ({ enter: jest.fn(async (events: readonly LogEvent[]) => events) }));

jest.mock('../look/load-look', () => ({
  loadWholeLook: async () => jest.requireActual<{ wholeLookOf: unknown }>('../look/whole-look').wholeLookOf,
}));

const heron = anInstrument('Heron', 'violin');
const tern = anInstrument('Tern', 'guitar', 'steel');
const entered = () => jest.mocked(enter).mock.calls.at(-1)![0];

beforeEach(() => standAt(TONIGHT));
afterEach(() => jest.useRealTimers());

test('a whole look-over for many is one of each, with what is open passed over', async () => {
  const crack = anEvent(heron, 'looked-at', TONIGHT - 86_400_000, {
    ...{ look: 'seams', verdict: 'act', overId: null, by: 'player', zone: null, point: null, figures: [] },
    ...{ string: null, note: '' },
  });
  openTestHousehold([heron, tern], [crack]);
  const work = runHook(useWork);
  await work.after(({ setMany, chooseAll }) => {
    setMany('look');
    chooseAll();
  });
  expect(work.now.forWhom).toEqual([heron.id, tern.id]);
  await work.after(({ putMany }) => putMany());
  for (const { id } of [heron, tern]) {
    const own = entered().filter(({ instrumentId }) => instrumentId === id);
    expect(own[0]).toMatchObject({ type: 'look-over-began', payload: { extent: 'full', by: 'player' } });
    expect(own.at(-1)).toMatchObject({ type: 'look-over-ended', payload: { overId: own[0]!.id } });
    const looks = own.filter(({ type }) => type === 'looked-at');
    expect(looks.length).toBeGreaterThan(5);
    expect(looks.every(({ payload }) => (payload as { verdict: string }).verdict === 'good')).toBe(true);
  }
  const skipped = entered().filter(({ type }) => type === 'look-skipped');
  expect(skipped.map(({ instrumentId, payload }) => [instrumentId, (payload as { look: string }).look])).toEqual([
    [heron.id, 'seams'],
  ]);
});
