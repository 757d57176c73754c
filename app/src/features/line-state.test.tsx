import { act, Profiler } from 'react';
import type { Household } from '@tembrin/contract';
import type { LogEvent } from '@tembrin/core/log';
import { useHousehold } from '@/state/household';
import { EMPTY, merged, useLog } from '@/state/log-state';
import { mount } from '@/testing/mount';
import { LineState } from './LineState';

/** A page of a log that comes in. */
const page = (name: string): LogEvent[] =>
  Array.from({ length: 3 }, (_, at) => ({ id: `${name} ${at}`, instrumentId: 'v' }) as LogEvent);

test('how far a large log has come in is told by the percent, and each of its pages draws nothing anew', async () => {
  useHousehold.setState({ status: 'in', household: { id: 'home' } as Household });
  useLog.setState({ ...EMPTY, householdId: 'home', opened: true, share: 0.371 });
  let drawn = 0;
  const { element, remove } = mount(
    <Profiler id="line" onRender={() => drawn++}>
      <LineState />
    </Profiler>,
  );
  // What it says is in a file of its own.
  await act(() => new Promise((resolve) => setTimeout(resolve, 0)));
  expect(element.textContent).toContain('37 %');
  const before = drawn;
  const comesIn = (name: string, share: number) =>
    act(() => useLog.setState((state) => ({ events: merged(state.events, page(name)), share })));
  comesIn('second', 0.375);
  expect(drawn).toBe(before);
  comesIn('third', 0.381);
  expect(element.textContent).toContain('38 %');
  act(() => useLog.setState({ share: null }));
  expect(element.textContent).toBe('');
  remove();
});
