import { act } from 'react';
import { WAITING } from '@/copy/common';
import { mount } from '@/testing/mount';
import { lazily, lazyPage } from './lazily';

jest.useFakeTimers();

const Shown = () => <p>Here it is</p>;

function coming(make: typeof lazyPage) {
  let come = () => {};
  const Page = make(
    () => new Promise<{ Shown: typeof Shown }>((resolve) => (come = () => resolve({ Shown }))),
    (module) => module.Shown,
  );
  const { element, remove } = mount(<Page />);
  return { text: () => element.textContent, element, remove, come: () => act(async () => come()) };
}

const wait = (ms: number) => act(async () => jest.advanceTimersByTime(ms));

test('a page that takes long says so, and only then, to whoever listens too', async () => {
  const { text, element, come, remove } = coming(lazyPage);
  await wait(200);
  const status = element.querySelector('[role=status]');
  expect(status).not.toBeNull();
  expect(text()).toBe('');
  await wait(200);
  expect(status?.textContent).toBe(WAITING);
  await come();
  expect(text()).toBe('Here it is');
  remove();
});

test('a part of a screen leaves its place empty meanwhile', async () => {
  const { text, element, come, remove } = coming(lazily);
  await wait(1000);
  expect(element.innerHTML).toBe('');
  await come();
  expect(text()).toBe('Here it is');
  remove();
});
