import { act as record } from '@/state/actions';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, evenings, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { useOpening } from './use-opening';
import { useStand } from './use-stand';
import type { LogEvent } from '@tembrin/core/log';

const mockRouter = { push: jest.fn(), replace: jest.fn() };
jest.mock('expo-router', () => ({
  get router() {
    return mockRouter;
  },
}));
jest.mock('@/state/actions', () => ({ act: jest.fn(async () => []) }));
const drafts = () => jest.mocked(record).mock.calls.map(([, [draft]]) => draft);

const HOUR = 3_600_000;
const heron = anInstrument('Heron', 'violin');
const plover = anInstrument('Plover', 'guitar', 'classical');
const played = (from: number, to: number) => {
  const began = anEvent(heron, 'session-began', TONIGHT - from * HOUR, {});
  return { began, events: [began, anEvent(heron, 'session-ended', TONIGHT - to * HOUR, { sessionId: began.id })] };
};

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

describe('the stand', () => {
  const stand = (events: LogEvent[]) => {
    openTestHousehold([heron], events);
    return runHook(() => useStand(heron));
  };

  it('says when a bow was left tight, and slackening it is recorded for that session', async () => {
    const { began, events } = played(3, 2);
    const page = stand(events);
    expect(page.now.tightSince).toBe(TONIGHT - 2 * HOUR);
    await page.after(({ slacken }) => slacken());
    expect(drafts()).toEqual([{ type: 'step-done', payload: { step: 'slacken', sessionId: began.id } }]);
  });

  it('says nothing of a bow that was slackened', () => {
    const { began, events } = played(3, 2);
    const done = anEvent(heron, 'step-done', TONIGHT - 1.9 * HOUR, { step: 'slacken', sessionId: began.id });
    expect(stand([...events, done]).now.tightSince).toBeNull();
  });

  it('keeps a closing round that was left open until it is done, or the evening is over', () => {
    expect(stand(played(3, 2).events).now.round).not.toBeNull();
    expect(stand([]).now.round).toBeNull();
  });

  it('begins a session', async () => {
    const page = stand([]);
    await page.after(({ start }) => start());
    expect(drafts()).toEqual([{ type: 'session-began', payload: {} }]);
  });

  it('puts what presses most first', () => {
    const worn = anEvent(heron, 'strings-fitted', TONIGHT - 900 * 24 * HOUR, {
      strings: null,
      reason: 'worn',
      known: true,
    });
    const page = stand([worn, ...evenings(heron, 300, 90)]);
    const states = page.now.threads.map(({ state }) => state);
    const order = ['now', 'soon', 'unknown', 'well'];
    expect(states.map((state) => order.indexOf(state))).toEqual(
      states.map((state) => order.indexOf(state)).sort((a, b) => a - b),
    );
    expect(page.now.threads[0]!.state).toBe('now');
  });
});

describe('before playing', () => {
  const opening = (instrument = heron, events: LogEvent[] = []) => {
    openTestHousehold([instrument], events);
    return runHook(() => useOpening(instrument));
  };

  it('parts what is for tonight from what is as usual', () => {
    const { standing, usual } = opening(heron, played(2, 0.9).events).now;
    expect(standing.every(({ because }) => because !== null)).toBe(true);
    expect(usual.every(({ because }) => because === null)).toBe(true);
    expect(standing.some(({ step }) => step === 'rosin')).toBe(true);
  });

  it('a guitar is asked for no rosin', () => {
    const { standing, usual, bowed } = opening(plover).now;
    expect(bowed).toBe(false);
    expect([...standing, ...usual].some(({ step }) => step === 'rosin')).toBe(false);
  });

  it('playing begins from it, and it gives way to the clock', async () => {
    const page = opening();
    await page.after(({ start }) => start());
    expect(drafts()).toEqual([{ type: 'session-began', payload: {} }]);
    expect(mockRouter.replace).toHaveBeenCalledWith('/now');
  });
});
