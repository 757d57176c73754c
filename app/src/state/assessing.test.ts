import { standInDevice } from '@/testing/device';
import type { Household } from '@tembrin/contract';
import { usualFacts } from '@tembrin/core/instruments';
import { act, takeBack } from './actions';
import { leaveAssessments, useAssessmentStore, watch } from './assessment-store';
import { keepAssessed } from './assessing';
import { useHousehold } from './household';
import { leaveLog, openLog } from './log';
import { rulesComing } from './rules';

const heron = { id: 'heron', name: 'Heron', ...usualFacts('violin'), addedAt: '2026-01-01T12:00:00.000Z', version: 1 };
const household = {
  id: 'house',
  name: 'Ours',
  timeZone: 'UTC',
  schools: {},
  people: [],
  version: 1,
  instruments: [heron],
};
const judged = () => useAssessmentStore.getState().byInstrument.heron;
let stop: () => void;

beforeAll(async () => {
  await rulesComing();
  standInDevice();
  globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
});
beforeEach(async () => {
  useHousehold.setState({ status: 'in', household: household as unknown as Household });
  await openLog('house', 'heron');
  stop = keepAssessed();
});
afterEach(async () => {
  stop();
  await leaveLog();
  leaveAssessments();
});

test('once an entry is recorded, what is judged rests on it; once it is taken back, no longer', async () => {
  const release = watch('heron');
  const before = judged()?.log.rosinings.length ?? 0;
  const events = await act('heron', [{ type: 'rosined', payload: {} }], null);
  expect(judged()!.log.rosinings).toHaveLength(before + 1);
  await takeBack(events);
  expect(judged()!.log.rosinings).toHaveLength(before);
  release();
});

test('a worker that does not load is done without', async () => {
  stop();
  let closed = false;
  class BrokenWorker {
    onerror?: () => void;
    constructor() {
      queueMicrotask(() => this.onerror?.());
    }
    postMessage() {}
    terminate() {
      closed = true;
    }
  }
  Object.assign(globalThis, { Worker: BrokenWorker });
  leaveAssessments();
  stop = keepAssessed();
  await act('heron', [{ type: 'rosined', payload: {} }], null);
  expect(closed).toBe(true);
  expect(judged()!.log.rosinings.length).toBeGreaterThan(0);
  Object.assign(globalThis, { Worker: undefined });
});
