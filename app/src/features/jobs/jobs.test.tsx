import { router } from 'expo-router';
import { act } from '@/state/actions';
import { useAssessment } from '@/state/assessments';
import { useJobPlaces } from '@/state/job-places';
import { anEvent, anInstrument, evenings, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { runHook } from '@/testing/hook';
import { copy } from '@/copy/screens/jobs/jobs';
import type { JobId } from '@tembrin/core/guided';
import { jobOf, nextSize } from '@tembrin/core/jobs';
import type { Instrument } from '@tembrin/contract';
import type { LogEvent } from '@tembrin/core/log';
import { useJob } from './use-job';

jest.mock('expo-router', () => ({ router: { push: jest.fn(), replace: jest.fn() } }));
jest.mock('@/state/actions', () => ({ act: jest.fn(async (_id: string, drafts: unknown[]) => drafts) }));

const MINUTE = 60_000;
const DAY = 86_400_000;
const heron = anInstrument('Heron', 'violin');
const plover = anInstrument('Plover', 'guitar', 'steel');
const drafts = () => jest.mocked(act).mock.calls.at(-1)![1];

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
  useJobPlaces.setState({ places: {} });
});
afterEach(() => jest.useRealTimers());

/** A job of an instrument, begun so many minutes ago. */
function working(instrument: Instrument, job: JobId, events: readonly LogEvent[] = [], minutesAgo = 10) {
  const began = anEvent(instrument, 'job-began', TONIGHT - minutesAgo * MINUTE, { job });
  openTestHousehold([instrument], [...evenings(instrument, 4), began, ...events]);
  return runHook(() => {
    const { log } = useAssessment(instrument);
    return useJob(instrument, jobOf(job), log.works[0]!);
  });
}
const goTo = (page: ReturnType<typeof working>, step: string) =>
  page.after(() => {
    const { places } = useJobPlaces.getState();
    useJobPlaces.getState().goTo(Object.keys(places).at(-1)!, step);
  });

describe('a job under way', () => {
  it('goes on step by step and is taken up where it was left', async () => {
    const page = working(heron, 'bridge-upright');
    expect(page.now).toMatchObject({ at: 0, back: null, last: false });
    await page.after(({ next }) => next());
    expect(page.now.step.id).toBe('post');
    expect(act).not.toHaveBeenCalled();
    expect(Object.values(useJobPlaces.getState().places)).toEqual([{ step: 'post', note: '', restsUntil: null }]);
    await page.after(({ back }) => back!());
    expect(page.now.at).toBe(0);
  });

  it('puts figures on record with the look they belong to, others by themselves', async () => {
    const page = working(heron, 'bridge-upright');
    await page.after(({ setText }) => setText('bridge-angle', '9000'));
    await page.after(({ next }) => next());
    expect(page.now.errors['bridge-angle']).toBeDefined();
    expect(page.now.at).toBe(0);
    await page.after(({ setText }) => setText('bridge-angle', '94'));
    await page.after(({ next }) => next());
    expect(drafts()).toEqual([{ type: 'measured', payload: { figure: 'bridge-angle', value: 94 } }]);
    await goTo(page, 'after');
    await page.after(({ setText, setVerdict }) => {
      setText('bridge-angle', '90');
      setVerdict('good');
    });
    expect(page.now.last).toBe(true);
    await page.after(({ next }) => next());
    expect(drafts()).toEqual([
      {
        type: 'looked-at',
        payload: expect.objectContaining({
          look: 'bridge-lean',
          verdict: 'good',
          figures: [{ figure: 'bridge-angle', value: 90 }],
        }),
      },
      { type: 'job-ended', payload: { jobId: expect.any(String), finished: true, note: '' } },
    ]);
    expect(router.replace).toHaveBeenCalledWith('/bench/jobs');
    expect(useJobPlaces.getState().places).toEqual({});
  });

  it('keeps what it turned out to be, and ends without its end when it is left off', async () => {
    const page = working(heron, 'loose-parts');
    await page.after(({ next }) => next());
    await page.after(({ setNote }) => setNote('Mute'));
    await page.after(({ leave }) => leave());
    expect(drafts()).toEqual([
      { type: 'job-ended', payload: { jobId: expect.any(String), finished: false, note: 'Mute' } },
    ]);
  });

  it('a fall, and rosin on new hair, are put on record by their step', async () => {
    await working(heron, 'fallen').after(({ next }) => next());
    expect(drafts()).toEqual([{ type: 'knocked', payload: {} }]);
    const arrival = working(heron, 'arrival');
    await arrival.after(({ next }) => next());
    await goTo(arrival, 'rosin');
    await arrival.after(({ next }) => next());
    expect(drafts()).toEqual([{ type: 'rosined', payload: {} }]);
  });

  it('rests from when a step was come to; elsewhere, from when the job began', async () => {
    const page = working(heron, 'arrival', [], 20);
    expect(page.now.restsUntil).toBe(TONIGHT + 40 * MINUTE);
    const pegs = working(heron, 'pegs-slip');
    await pegs.after(({ next }) => next());
    await goTo(pegs, 'push');
    await pegs.after(({ next }) => next());
    expect(pegs.now.step.id).toBe('mark');
    expect(pegs.now.restsUntil).toBe(TONIGHT + 60 * MINUTE);
  });

  it('a neck that was read out of its range has an eighth of a turn to come', () => {
    const read = anEvent(plover, 'measured', TONIGHT - 5 * MINUTE, { figure: 'relief', value: 0.7 });
    expect(working(plover, 'relief', [read]).now.steps.map(({ id }) => id)).toContain('turn-1');
    expect(working(plover, 'relief').now.steps.map(({ id }) => id)).not.toContain('turn-1');
  });
});

test('where a device kept only the step of a change, it is taken up there', async () => {
  localStorage.setItem('tembrin-jobs', JSON.stringify({ state: { places: { one: '2-tune', two: 7 } }, version: 0 }));
  await useJobPlaces.persist.rehydrate();
  expect(useJobPlaces.getState().places).toEqual({ one: { step: '2-tune', note: '', restsUntil: null } });
});

test('the next size is said with what it rests on', () => {
  const moment = { nowMs: TONIGHT, timeZone: 'UTC' };
  const arm = (daysAgo: number, value: number) => ({
    eventId: String(daysAgo),
    at: TONIGHT - daysAgo * DAY,
    figure: 'arm-length' as const,
    value,
    bowId: null,
  });
  const words = (size: string, ...readings: ReturnType<typeof arm>[]) =>
    copy.size(nextSize({ family: 'violin', size }, readings)!, moment, 'mm').join(' ');
  expect(words('1/2', arm(0, 540))).toMatch(
    /^An arm of 540 mm plays a 1\/2\. A 3\/4 about .* by 25 mm a year, usual for children/,
  );
  expect(words('1/2', arm(365.25, 500), arm(0, 530))).toMatch(/by the 30 mm a year this arm has grown\.$/);
  expect(words('1/2', arm(0, 565))).toMatch(/has been outgrown/);
  expect(words('4/4', arm(0, 600))).toMatch(/no other comes after it/);
  expect(words('1/16', arm(0, 300))).toMatch(/^An arm of 300 mm is shorter than the smallest/);
});
