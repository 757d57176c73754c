import { keepUp } from '../../../scripts/lib/keep-up.mjs';

let said: string[];
beforeEach(() => {
  said = [];
  jest.spyOn(console, 'error').mockImplementation((line: string) => void said.push(line));
});
afterEach(() => jest.restoreAllMocks());

/** Something that ends whenever it was started. */
function ending() {
  let starts = 0;
  const start = () => {
    starts++;
    return Promise.resolve({ exited: Promise.resolve(1) });
  };
  return { start, starts: () => starts };
}
const noPause = () => Promise.resolve();

test('what ends six times in a row is given up', async () => {
  const { start, starts } = ending();
  await keepUp('The server', start, () => false, undefined, undefined, noPause);
  expect(starts()).toBe(6);
  expect(said.at(-1)).toBe('The server ended 6 times in a row and is not started again.');
});

test('while the disk is full it is waited for, however long; then it is started, and the ends before do not count', async () => {
  const { start, starts } = ending();
  let looks = 0;
  // Full from its first end, for a hundred looks.
  const hindrance = () => Promise.resolve(starts() === 1 && looks++ < 100 ? 'the disk is full' : null);
  await keepUp('The database', start, () => false, undefined, hindrance, noPause);
  expect(starts()).toBe(7);
  expect(said.filter((line) => line.includes('the disk is full'))).toEqual([
    'The database ended: the disk is full. It is started again as soon as that is over.',
  ]);
});

test('it is not started any more where it is stopped meanwhile', async () => {
  const { start, starts } = ending();
  let looks = 0;
  const full = () => Promise.resolve('the disk is full');
  await keepUp('The database', start, () => ++looks > 5, undefined, full, noPause);
  expect(starts()).toBe(1);
});
