import { clocksAnew, DAY_MS, HOUR_MS, offsetMs } from '@tembrin/core/time';
import { standInDevice } from '@/testing/device';
import { anInstrument, evenings, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { AS_OF, forgetStand, readDrawn, readJudged, writeJudged, type Judged } from '@/opening/kept-stand';
import { act } from './actions';
import type { Instrument } from '@tembrin/contract';
import type { Assessment } from '@tembrin/core/assess';
import { toldAgain } from '@/workers/told-again';
import { takeVerdict } from './assessing';
import { useAssessmentStore } from './assessment-store';
import { useHousehold } from './household';
import { BUILD } from './kept';
import { useLog } from './log';
import { notify, dismissNotice, useNotice } from './notice';
import { judgedBefore, keepStand } from './stand-before';

const heron = anInstrument('Heron', 'violin');
let stop: () => void = () => undefined;

beforeAll(() => {
  standInDevice();
  window.matchMedia = (() => ({ matches: false })) as unknown as typeof matchMedia;
});
beforeEach(() => {
  standAt(TONIGHT);
  localStorage.clear();
  history.replaceState(null, '', '/now');
  localStorage.setItem('tembrin-household', '{"id":"ours","email":"pip@example.org"}');
  document.body.innerHTML = `<div id="root"><h1>Heron</h1><span id="${AS_OF}">Violin</span></div>`;
  openTestHousehold([heron], evenings(heron, 100));
});
afterEach(() => {
  stop();
  dismissNotice();
  jest.useRealTimers();
});

const household = () => useHousehold.getState().household!;
const judged = (): Judged => ({
  build: BUILD,
  householdId: household().id,
  instrumentId: heron.id,
  version: heron.version,
  assessment: useAssessmentStore.getState().byInstrument[heron.id],
  clocks: clocksAnew(TONIGHT, household().timeZone),
});
/** The app as it is opened: nothing was judged yet. */
const opensWith = (kept: Judged | null) => {
  useAssessmentStore.setState({ byInstrument: {}, complete: {}, asOf: {} });
  if (kept) writeJudged(kept);
  judgedBefore(household());
  return useAssessmentStore.getState();
};

describe('the judgement of last time', () => {
  test('stands, marked with its time, until there is another', () => {
    const before = judged();
    const { byInstrument, complete, asOf } = opensWith(before);
    // All of it: nothing that is judged is lost on the way.
    expect(byInstrument[heron.id]).toStrictEqual(before.assessment);
    expect(complete[heron.id]).toBe(true);
    expect(asOf[heron.id]).toBe(TONIGHT);
    const fresh = { ...(before.assessment as Assessment<Instrument>), reasons: [] };
    takeVerdict({
      kind: 'instrument',
      householdId: household().id,
      instrumentId: heron.id,
      turn: 1,
      since: null,
      assessment: toldAgain(undefined, fresh),
      complete: true,
    });
    expect(useAssessmentStore.getState().byInstrument[heron.id]).toEqual(fresh);
    expect(useAssessmentStore.getState().asOf).toEqual({});
  });

  test('brings the clocks of its zone with it', () => {
    const { timeZone } = household();
    const before = judged();
    const told = before.clocks.offsets.map(([week]): [number, number] => [week, HOUR_MS]);
    opensWith({ ...before, clocks: { ...before.clocks, offsets: told } });
    expect(offsetMs(TONIGHT + 7 * DAY_MS, timeZone)).toBe(HOUR_MS);
    clocksAnew(TONIGHT, timeZone);
    expect(offsetMs(TONIGHT, timeZone)).toBe(0);
  });

  test.each<[string, (kept: Judged) => Judged | null]>([
    ['of another build', (kept) => ({ ...kept, build: 'another' })],
    ['of another household', (kept) => ({ ...kept, householdId: 'another' })],
    ['of another instrument', (kept) => ({ ...kept, instrumentId: 'another' })],
    ['of the instrument as it was said to be before', (kept) => ({ ...kept, version: 0 })],
    ['that went bad', (kept) => ({ ...kept, assessment: { log: 'nonsense' } })],
    ['that is none', (kept) => ({ ...kept, assessment: null })],
    ['that is not there', () => null],
  ])('one %s does not', (_which, changed) => {
    const { byInstrument, asOf } = opensWith(changed(judged()));
    expect(byInstrument).toEqual({});
    expect(asOf).toEqual({});
  });

  test('one of more than a week ago does not', () => {
    const before = judged();
    jest.setSystemTime(TONIGHT + 8 * 86_400_000);
    expect(opensWith(before).byInstrument).toEqual({});
  });

  test('one that is no text of ours does not', () => {
    writeJudged(judged());
    const [key] = Object.keys(localStorage).filter((each) => localStorage.getItem(each)!.includes('"assessment"'));
    localStorage.setItem(key!, localStorage.getItem(key!)!.slice(0, -9));
    expect(opensWith(null).byInstrument).toEqual({});
  });

  test('does not on a page that begins with something else', () => {
    history.replaceState(null, '', '/kit');
    expect(opensWith(judged()).byInstrument).toEqual({});
  });

  test('is gone where the next is too much to keep', () => {
    writeJudged(judged());
    writeJudged({ ...judged(), assessment: 'x'.repeat(1_000_000) });
    expect(readJudged()).toBeNull();
  });

  test('is let go of with all else that is kept of the stand', () => {
    writeJudged(judged());
    forgetStand();
    expect(readJudged()).toBeNull();
  });
});

describe('once the stand has come to rest', () => {
  const judgeAgain = () => useAssessmentStore.setState(({ byInstrument }) => ({ byInstrument: { ...byInstrument } }));
  const rest = () => jest.advanceTimersByTime(2_300);
  beforeEach(() => jest.useFakeTimers({ now: TONIGHT }));

  test('it is kept as it is drawn, with the newest of its log', () => {
    stop = keepStand();
    judgeAgain();
    rest();
    const drawn = readDrawn(window.innerWidth, false, Date.now());
    expect(drawn?.html).toContain('Heron');
    expect(drawn?.asOf).toMatch(/^As of Mon \d\d:00/);
    const kept = readJudged()!;
    expect(kept).toMatchObject({ build: BUILD, householdId: household().id, instrumentId: heron.id });
    expect((kept.assessment as { log: { sessions: unknown[] } }).log.sessions.length).toBeLessThan(60);
    expect(kept.clocks).toEqual(clocksAnew(TONIGHT, household().timeZone));
  });

  test('not with what passes over it; and what another page recorded makes the picture an old one', () => {
    stop = keepStand();
    notify('Slackened.');
    judgeAgain();
    rest();
    expect(readDrawn(window.innerWidth, false, Date.now())).toBeNull();
    dismissNotice();
    judgeAgain();
    rest();
    expect(readDrawn(window.innerWidth, false, Date.now())).not.toBeNull();
    history.replaceState(null, '', '/now/closing');
    openTestHousehold([heron], evenings(heron, 101));
    rest();
    expect(readDrawn(window.innerWidth, false, Date.now())).toBeNull();
  });

  test('one that is itself of last time is not kept again', () => {
    writeJudged({ ...judged(), assessment: 'untouched' });
    stop = keepStand();
    useAssessmentStore.setState(({ byInstrument }) => ({
      byInstrument: { ...byInstrument },
      asOf: { [heron.id]: TONIGHT },
    }));
    rest();
    expect(readJudged()!.assessment).toBe('untouched');
  });

  test('what was pressed in vain on the kept one is said', () => {
    stop = keepStand();
    window.dispatchEvent(new Event('tembrin-missed'));
    expect(useNotice.getState().notice?.text).toMatch(/another than it was/);
  });
});

test('an entry made before the log was read waits for it', async () => {
  useLog.setState({ householdId: household().id, opened: false });
  const done = jest.fn();
  const entered = act(heron.id, [{ type: 'session-began', payload: {} }], null).then(done);
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(done).not.toHaveBeenCalled();
  useLog.setState({ opened: true });
  await entered;
  expect(done).toHaveBeenCalled();
});
