import type * as turn from './turn';

const browser = globalThis as { scheduler?: object };
const loaded = async (): Promise<typeof turn> => {
  jest.resetModules();
  return await import('./turn');
};
afterEach(() => delete browser.scheduler);

test('goes before what waits, where the browser has an order of tasks', async () => {
  const postTask = jest.fn((work: () => void) => work());
  browser.scheduler = { postTask };
  const change = jest.fn();
  (await loaded()).drawNext(change);
  expect(postTask).toHaveBeenCalledWith(expect.any(Function), { priority: 'user-blocking' });
  expect(change).toHaveBeenCalledTimes(1);
});

test('elsewhere takes its turn: not at once, and not lost', async () => {
  const { drawNext } = await loaded();
  const change = jest.fn();
  drawNext(change);
  expect(change).not.toHaveBeenCalled();
  await new Promise((resolve) => setTimeout(resolve, 5));
  expect(change).toHaveBeenCalledTimes(1);
});
