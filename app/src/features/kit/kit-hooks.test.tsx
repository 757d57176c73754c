import { enter } from '@/state/actions';
import { Refused } from '@/state/api';
import { changeHousehold } from '@/state/household';
import { useNotice } from '@/state/notice';
import { useAssessment } from '@/state/assessments';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, evenings, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { spanOf, timesOf } from './span';
import { useHouseholdForm } from './use-household-form';
import { useInstrument } from './use-instrument';
import { useSessionForm } from './use-session-form';
import type { LogEvent } from '@tembrin/core/log';

jest.mock('expo-router', () => ({
  router: { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => false },
}));
jest.mock('@/state/actions', () => ({ enter: jest.fn(async () => []), retract: jest.fn() }));
jest.mock('@/state/household', () => ({
  ...jest.requireActual<object>('@/state/household'),
  changeHousehold: jest.fn(async () => undefined),
  refreshHousehold: jest.fn(async () => undefined),
}));

const HOUR = 3_600_000;
const heron = anInstrument('Heron', 'violin');
const entered = () => jest.mocked(enter).mock.calls.at(-1)![0] as LogEvent[];

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

describe('times as they are typed', () => {
  const zone = 'Europe/Lisbon';

  it('an end before the beginning is past midnight', () => {
    const span = spanOf({ date: '2026-05-30', began: '23:30', ended: '00:15' }, zone)!;
    expect((span.endedAt - span.beganAt) / 60_000).toBe(45);
  });

  it('they are told by the wall, on the days the clocks change, too', () => {
    // In Lisbon clocks go from 1 to 2 on 29 March 2026 and back on 25 October (European Union rules).
    const spring = spanOf({ date: '2026-03-29', began: '00:30', ended: '02:30' }, zone)!;
    expect((spring.endedAt - spring.beganAt) / HOUR).toBe(1);
    const autumn = spanOf({ date: '2026-10-25', began: '00:30', ended: '02:30' }, zone)!;
    expect((autumn.endedAt - autumn.beganAt) / HOUR).toBe(3);
  });

  it('written out and read again they are the same', () => {
    const session = { beganAt: Date.parse('2026-05-30T21:10:00Z'), endedAt: Date.parse('2026-05-30T22:40:00Z') };
    const times = timesOf(session, TONIGHT, zone);
    expect(times).toEqual({ date: '2026-05-30', began: '22:10', ended: '23:40' });
    expect(spanOf(times, zone)).toEqual(session);
  });

  it('without a time there is no span, and a day that does not exist is none', () => {
    expect(spanOf({ date: '2026-05-30', began: '', ended: '10:00' }, zone)).toBeNull();
    expect(spanOf({ date: '2026-02-31', began: '09:00', ended: '10:00' }, zone)).toBeNull();
  });
});

describe('a session entered afterwards', () => {
  const form = (events: LogEvent[] = [], which: 'new' | 'last' = 'new') => {
    openTestHousehold([heron], events);
    return runHook(() => {
      const { log } = useAssessment(heron);
      const session = which === 'last' ? log.sessions.at(-1)! : null;
      return useSessionForm({ instrument: heron, session, refusedId: undefined, log });
    });
  };

  it('goes on record with the steps of its closing round, if it was done', async () => {
    const page = form();
    await page.after(({ set }) => {
      set('date')('2026-06-01');
      set('began')('18:00');
      set('ended')('18:45');
    });
    await page.after(({ save }) => save());
    const [session, ...steps] = entered();
    expect(session).toMatchObject({ type: 'session-entered', occurredAt: '2026-06-01T18:00:00.000Z' });
    expect(steps.length).toBeGreaterThan(2);
    expect(new Set(steps.map(({ type }) => type))).toEqual(new Set(['step-done']));
    expect(steps.every(({ payload }) => (payload as { sessionId: string }).sessionId === session!.id)).toBe(true);
  });

  it('goes on record by itself, if it was not', async () => {
    const page = form();
    await page.after(({ set, setRounded }) => {
      setRounded(false);
      set('began')('18:00');
      set('ended')('18:45');
    });
    await page.after(({ save }) => save());
    expect(entered()).toHaveLength(1);
  });

  it.each([
    [{ began: '', ended: '18:45' }, /day|time/i],
    [{ began: '21:00', ended: '21:30' }, /future|clock/i],
  ])('%j cannot have been: it is said at once and nothing is recorded', async (times, why) => {
    const page = form();
    await page.after(({ set }) => {
      for (const [key, value] of Object.entries(times)) set(key as 'date')(value as string);
    });
    const { problem } = await page.after(({ save }) => save());
    expect(problem).toMatch(why);
    expect(enter).not.toHaveBeenCalled();
  });

  it('may not overlap another', async () => {
    const page = form(evenings(heron, 3));
    await page.after(({ set }) => {
      set('date')('2026-05-31');
      set('began')('20:10');
      set('ended')('20:30');
    });
    const { problem } = await page.after(({ save }) => save());
    expect(problem).toMatch(/20:00/);
  });

  it('one on record is corrected in place', async () => {
    const events = evenings(heron, 3);
    const page = form(events, 'last');
    expect(page.now.times).toEqual({ date: '2026-05-31', began: '20:00', ended: '20:45' });
    await page.after(({ set }) => set('ended')('21:00'));
    await page.after(({ save }) => save());
    expect(entered()).toMatchObject([
      { type: 'session-corrected', payload: { sessionId: events.at(-2)!.id, endedAt: '2026-05-31T21:00:00.000Z' } },
    ]);
  });
});

describe('the household’s choices', () => {
  it('are kept, and can be undone', async () => {
    openTestHousehold([heron]);
    const page = runHook(() => useHouseholdForm());
    expect(page.now.changed).toBe(false);
    await page.after(({ setText }) => setText({ name: 'Quayside', timeZone: 'UTC' }));
    expect(page.now.changed).toBe(true);
    await page.after(({ save, text }) => save(text, { name: 'Ours', timeZone: 'UTC' }));
    expect(changeHousehold).toHaveBeenCalledWith({ name: 'Quayside', timeZone: 'UTC' });
    await useNotice.getState().notice!.undo!();
    expect(changeHousehold).toHaveBeenLastCalledWith({ name: 'Ours', timeZone: 'UTC' });
  });

  it('what cannot be is said beside its field, and not sent', async () => {
    openTestHousehold([heron]);
    const page = runHook(() => useHouseholdForm());
    const { errors } = await page.after(({ save }) => save({ timeZone: 'Quayside' }, {}));
    expect(errors.timeZone).toMatch(/IANA/);
    expect(changeHousehold).not.toHaveBeenCalled();
  });

  it('what the server refuses is said in its words', async () => {
    openTestHousehold([heron]);
    const problem = { type: 'x', title: 'Changed elsewhere', status: 409, detail: 'It was changed elsewhere.' };
    jest.mocked(changeHousehold).mockRejectedValueOnce(new Refused(problem as never));
    const page = runHook(() => useHouseholdForm());
    const after = await page.after(({ save }) => save({ name: 'Quayside' }, {}));
    expect(after.problem).toMatch(/changed elsewhere/i);
  });
});

test('an instrument’s page counts what was played', () => {
  const other = anEvent(heron, 'rosined', TONIGHT - HOUR, {});
  openTestHousehold([heron], [...evenings(heron, 10, 60), other]);
  const page = runHook(() => useInstrument(heron));
  expect(page.now.hours).toBeCloseTo(10, 6);
  expect(page.now.complete).toBe(true);
});
