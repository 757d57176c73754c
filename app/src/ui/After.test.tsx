import { act } from 'react';
import { mount } from '@/testing/mount';
import { After } from './After';
import { Text } from './Text';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const nextTask = () => act(() => jest.advanceTimersByTimeAsync(0));
const page = (opening: boolean) => (
  <>
    <Text>First</Text>
    <After opening={opening}>
      <Text>Then</Text>
    </After>
  </>
);

test('comes in a task of its own, and the page is busy until then', async () => {
  const { element, remove } = mount(page(false));
  expect(element.textContent).toBe('First');
  expect(element.querySelector('[aria-busy]')).not.toBeNull();
  await nextTask();
  expect(element.textContent).toBe('FirstThen');
  expect(element.querySelector('[aria-busy]')).toBeNull();
  remove();
});

test('what waits as the app opens is there at once on later pages; the rest waits on each', async () => {
  const opened = mount(page(true));
  await nextTask();
  opened.remove();
  const later = mount(page(true));
  expect(later.element.textContent).toBe('FirstThen');
  later.remove();
  const other = mount(page(false));
  expect(other.element.textContent).toBe('First');
  other.remove();
});
