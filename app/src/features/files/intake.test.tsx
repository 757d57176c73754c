import type { IntakeProgress } from '@tembrin/contract';
import { runHook } from '@/testing/hook';
import { PREVIEW_BYTES, SAMPLE_BYTES } from '@tembrin/contract/intake';
import { sampled, useIntake, type IntakeKind } from './intake';

const mockCall = jest.fn();
jest.mock('@/state/api', () => ({
  call: (...asked: unknown[]) => mockCall(...asked) as unknown,
  sentenceOf: (error: Error) => error.message,
}));

interface Guess {
  date: number | null;
}
type Kind = IntakeKind<Guess, { guess: Guess; lines: number }, { minutes: number }>;
const DONE: IntakeProgress = {
  state: 'done',
  lines: 3,
  received: 10,
  bytes: 10,
  total: 10,
  intake: { stored: 3, known: 0, corrected: 0 },
  left: 0,
  unreadable: 0,
  examples: [],
  problem: null,
};
const aFile = (size = 10) => ({ size, name: 'air.csv', slice: () => new Blob() }) as unknown as File;
/** Something that is answered when the test says so. */
function waiting<T>() {
  let answer!: (value: T) => void;
  let refuse!: (error: Error) => void;
  const promise = new Promise<T>((resolve, reject) => {
    answer = resolve;
    refuse = reject;
  });
  return { promise, answer, refuse };
}
function open(parts: Partial<Kind> = {}) {
  const kind = {
    sampled: false,
    mostBytes: 100,
    planOf: ({ date }: Guess) => (date === null ? null : { date }),
    preview: jest.fn(async () => ({ guess: { date: null }, lines: 3 })),
    bring: jest.fn(async () => DONE),
    onDone: jest.fn(),
    ...parts,
  } satisfies Kind;
  return { kind, page: runHook(() => useIntake(kind as Kind, { minutes: 20 })) };
}

beforeEach(() => mockCall.mockReset());

test('a file too large is not even looked at', async () => {
  const { kind, page } = open();
  const { file, problem } = await page.after(({ choose }) => choose(aFile(101)));
  expect(file).toBeNull();
  expect(problem).toMatch(/at most/);
  expect(kind.preview).not.toHaveBeenCalled();
});

test('what is unsure is asked before anything can be brought in', async () => {
  const { kind, page } = open();
  const asked = await page.after(({ choose }) => choose(aFile()));
  expect(asked.plan).toBeNull();
  await page.after(({ bring }) => bring());
  expect(kind.bring).not.toHaveBeenCalled();
  const answered = await page.after(({ change }) => change({ date: 2 }));
  expect(answered.plan).toEqual({ date: 2 });
  // It is looked at anew, by the plan that was said.
  expect(jest.mocked(kind.preview).mock.calls.at(-1)).toEqual([expect.anything(), '{"date":2}', { minutes: 20 }, {}]);
});

test('an answer that comes late is passed over', async () => {
  const [slow, quick] = [waiting<{ guess: Guess; lines: number }>(), waiting<{ guess: Guess; lines: number }>()];
  const answers = [slow, quick];
  const { page } = open({ preview: () => answers.shift()!.promise });
  await page.after(({ choose }) => void choose(aFile()));
  await page.after(({ choose }) => void choose(aFile()));
  await page.after(() => quick.answer({ guess: { date: 1 }, lines: 2 }));
  const late = await page.after(() => slow.answer({ guess: { date: 9 }, lines: 9 }));
  expect(late.preview!.lines).toBe(2);
  expect(late.guess).toEqual({ date: 1 });
  expect(late.busy).toBe(false);
});

test('a file that cannot be read says so, and nothing of it is kept', async () => {
  const { page } = open({ preview: () => Promise.reject(new Error('That is no text.')) });
  const { problem, preview, busy } = await page.after(({ choose }) => choose(aFile()));
  expect(problem).toBe('That is no text.');
  expect(preview).toBeNull();
  expect(busy).toBe(false);
});

describe('brought in', () => {
  const ready = { preview: jest.fn(async () => ({ guess: { date: 1 }, lines: 3 })) };

  it('it is told when all is there', async () => {
    const { kind, page } = open(ready);
    await page.after(({ choose }) => choose(aFile()));
    const { progress } = await page.after(({ bring }) => bring());
    expect(progress).toEqual(DONE);
    expect(kind.onDone).toHaveBeenCalledWith(DONE);
  });

  it('a fault on the way is told, and the file can be tried again', async () => {
    const { page } = open({ ...ready, bring: () => Promise.reject(new Error('The server is out of reach.')) });
    await page.after(({ choose }) => choose(aFile()));
    const { progress, problem, file } = await page.after(({ bring }) => bring());
    expect(progress).toBeNull();
    expect(problem).toBe('The server is out of reach.');
    expect(file).not.toBeNull();
  });

  /** Stops an import, the server saying then how it stands. */
  async function stopped(server: () => Promise<IntakeProgress>) {
    mockCall.mockImplementation((id: string) => (id === 'readImport' ? server() : Promise.resolve(undefined)));
    const { kind, page } = open({
      ...ready,
      bring: (_id, _file, _plan, _choices, signal) =>
        new Promise((_, reject) => signal.addEventListener('abort', () => reject(new Error('aborted')))),
    });
    await page.after(({ choose }) => choose(aFile()));
    await page.after(({ bring }) => void bring());
    const after = await page.after(({ stop }) => stop());
    return { kind, after };
  }

  it('stopped, the server is asked what became of it: nothing of it was kept', async () => {
    const { after } = await stopped(async () => ({ ...DONE, state: 'stopped' as IntakeProgress['state'] }));
    expect(after.problem).toBe('The import was stopped. Nothing of it was kept.');
    expect(mockCall.mock.calls.map(([id]) => id as string)).toContain('cancelImport');
  });

  it('stopped just after its end, it is told as done', async () => {
    const { kind, after } = await stopped(async () => DONE);
    expect(after.problem).toBeNull();
    expect(after.progress).toEqual(DONE);
    expect(kind.onDone).toHaveBeenCalledTimes(1);
  });

  it('stopped without an answer, it says that it is not known', async () => {
    const { after } = await stopped(() => Promise.reject(new Error('out of reach')));
    expect(after.problem).toMatch(/did not answer/);
  });
});

test('of a large file a little of its middle and its end goes along, at even places', async () => {
  const small = new Blob(['a'.repeat(1000)]);
  expect(sampled(small)[1]).toEqual({ middle: undefined, end: undefined });
  const large = new Blob(['x'.repeat(1_000_001)]);
  const [sent, { middle, end }] = sampled(large);
  expect(sent.size).toBe(PREVIEW_BYTES + 2 + middle! + end!);
  expect([middle! <= SAMPLE_BYTES, end! <= SAMPLE_BYTES, (large.size - end!) % 2]).toEqual([true, true, 0]);
});
