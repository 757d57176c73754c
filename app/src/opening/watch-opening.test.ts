import { PATIENCE_MS, WAITING_MS, watchOpening } from './watch-opening';

let root: HTMLElement;
beforeEach(() => {
  jest.useFakeTimers();
  localStorage.clear();
  document.body.innerHTML = '<div id="root"></div>';
  root = document.getElementById('root')!;
  window.matchMedia = (() => ({ matches: false })) as unknown as typeof matchMedia;
});
afterEach(() => jest.useRealTimers());

const said = () => document.querySelector('[role=alert]');
const buttons = () => [...document.querySelectorAll('button')].map(({ textContent }) => textContent);

test('where the app draws nothing it is said after ten seconds, with what to do', () => {
  watchOpening(root);
  jest.advanceTimersByTime(PATIENCE_MS - 1);
  expect(said()).toBeNull();
  jest.advanceTimersByTime(1_000);
  expect(said()!.textContent).toContain('Tembrin has not opened.');
  expect(buttons()).toEqual(['Reload', 'Sign in again']);
  jest.advanceTimersByTime(60_000);
  expect(document.querySelectorAll('[role=alert]')).toHaveLength(1);
});

test('a page that is drawn in time is left alone for good', () => {
  watchOpening(root);
  root.innerHTML = '<h1>Heron</h1>';
  jest.advanceTimersByTime(1_000);
  root.innerHTML = '';
  jest.advanceTimersByTime(10 * PATIENCE_MS);
  expect(said()).toBeNull();
});

test('one that says it works something out has longer; what comes late takes the panel away', () => {
  watchOpening(root);
  root.innerHTML = '<div role="status">Working it out …</div>';
  jest.advanceTimersByTime(WAITING_MS - 1);
  expect(said()).toBeNull();
  jest.advanceTimersByTime(1_000);
  expect(said()).not.toBeNull();
  root.innerHTML = '<h1>Heron</h1>';
  jest.advanceTimersByTime(1_000);
  expect(said()).toBeNull();
});

test('signing in again lets go of who was here, and of nothing else', async () => {
  const sent = jest.fn(async () => new Response());
  globalThis.fetch = sent as unknown as typeof fetch;
  // The page of the test goes nowhere.
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  localStorage.setItem('tembrin-household', '{"id":"ours"}');
  localStorage.setItem('tembrin-household by', 'another build');
  localStorage.setItem('tembrin-look', '{}');
  watchOpening(root);
  jest.advanceTimersByTime(PATIENCE_MS + 1_000);
  document.querySelectorAll('button')[1]!.click();
  await jest.advanceTimersByTimeAsync(10);
  expect(sent).toHaveBeenCalledWith('/api/v1/sign-out', expect.objectContaining({ method: 'POST' }));
  expect(Object.keys(localStorage)).toEqual(['tembrin-look']);
});
