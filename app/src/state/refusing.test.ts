import type { Household } from '@tembrin/contract';
import { usualFacts } from '@tembrin/core/instruments';
import type { LogEvent } from '@tembrin/core/log';
import { useHousehold } from './household';
import { EMPTY, merged, useLog } from './log-state';
import { prepare, refusalAmong } from './refusing';

/** Entries are judged by a list that is kept from press to press: it is always what the log says. */
const EVENING = Date.parse('2026-05-20T18:00:00.000Z');
const at = (minutes: number) => new Date(EVENING + minutes * 60_000).toISOString();
let count = 0;
/** A session typed in, minutes from the evening's beginning. */
function typedIn(from: number, to: number): LogEvent {
  const id = `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`;
  const times = { occurredAt: at(from), recordedAt: at(600) };
  return { id, instrumentId: 'heron', type: 'session-entered', ...times, payload: { endedAt: at(to) } } as LogEvent;
}
const opened = (householdId: string, ...events: readonly LogEvent[]) => {
  const heron = { ...usualFacts('violin'), id: 'heron', name: 'Heron', since: null };
  const household = { id: householdId, instruments: [heron], timeZone: 'UTC' } as unknown as Household;
  useHousehold.setState({ status: 'in', household });
  useLog.setState({ ...EMPTY, householdId, opened: true, complete: 'all', events: { heron: events } });
};
const comes = (...events: readonly LogEvent[]) =>
  useLog.setState((state) => ({ events: merged(state.events, events) }));
const overlaps = (from: number, to: number) => /overlap/i.test(refusalAmong([typedIn(from, to)]) ?? '');

beforeAll(() => jest.useFakeTimers({ now: EVENING + 24 * 3_600_000 }));
afterAll(() => jest.useRealTimers());

test('what came to the log since counts, and what was withdrawn does not', () => {
  const first = typedIn(0, 60);
  opened('one', first);
  prepare();
  expect(overlaps(30, 40)).toBe(true);
  expect(overlaps(100, 130)).toBe(false);
  const second = typedIn(100, 130);
  comes(second);
  expect(overlaps(110, 120)).toBe(true);
  useLog.setState({ events: { heron: [second] } });
  expect(overlaps(30, 40)).toBe(false);
  expect(overlaps(110, 120)).toBe(true);
});

test('an act of which a part is refused leaves nothing behind', () => {
  opened('two', typedIn(0, 60));
  expect(refusalAmong([typedIn(100, 130), typedIn(110, 120)])).toMatch(/overlap/i);
  expect(overlaps(110, 120)).toBe(false);
  comes(typedIn(200, 230), typedIn(240, 250));
  expect(overlaps(110, 120)).toBe(false);
  expect(overlaps(210, 220)).toBe(true);
});

test('another household’s log is another, under the same instrument’s id', () => {
  opened('three', typedIn(0, 60));
  expect(overlaps(30, 40)).toBe(true);
  opened('four');
  expect(overlaps(30, 40)).toBe(false);
});
