import { presetsFor } from '@tembrin/core/sets';
import type { Card } from '@tembrin/contract';
import { act as record } from '@/state/actions';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, evenings, newId, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { tuningFrom } from './use-strung-form';
import { useBroken } from './use-broken';
import { useChangeStart } from './use-change-start';
import { useComparison } from './use-comparison';
import { useStrungForm } from './use-strung-form';
import { useWhatIsOn } from './use-what-is-on';
import { openStrings } from '@tembrin/core/strings';

const mockAsked: { params: Record<string, string> } = { params: {} };
jest.mock('expo-router', () => ({
  router: { push: jest.fn(), replace: jest.fn() },
  useLocalSearchParams: () => mockAsked.params,
}));
jest.mock('@/state/actions', () => ({ act: jest.fn(async () => []) }));
const recorded = () => jest.mocked(record).mock.calls.at(-1)!;

const DAY = 86_400_000;
const heron = anInstrument('Heron', 'violin');
const set = presetsFor(heron, openStrings(heron))[0]!;
const fitted = (daysAgo: number) =>
  anEvent(heron, 'strings-fitted', TONIGHT - daysAgo * DAY, {
    strings: null,
    reason: 'worn',
    known: true,
    specs: [...set.strings],
  });
const spare = (positions: number[]): Card => ({
  id: newId(),
  version: 1,
  kind: 'spare',
  facts: {
    title: 'A packet',
    family: 'violin',
    kind: null,
    positions,
    specs: positions.map((at) => set.strings[at]!),
    quantity: 2,
    boughtOn: null,
  },
});
const concert = (inDays: number): Card => {
  const date = new Date(TONIGHT + inDays * DAY).toISOString().slice(0, 10);
  return {
    id: newId(),
    version: 1,
    kind: 'occasion',
    facts: {
      title: 'Lighthouse concert',
      kind: 'performance',
      instrumentId: null,
      spans: [{ from: date, to: date }],
      source: null,
    },
  };
};

beforeEach(() => {
  standAt(TONIGHT);
  mockAsked.params = {};
  jest.mocked(record).mockClear();
});
afterEach(() => jest.useRealTimers());

describe('one string broke', () => {
  it('asks which one first, then says that young strings stay on', async () => {
    openTestHousehold([heron], [fitted(20), ...evenings(heron, 20)]);
    const page = runHook(() => useBroken(heron));
    expect(page.now.verdict).toBeNull();
    const { verdict, all } = await page.after(({ setPosition }) => setPosition(3));
    expect(verdict!.answer).toBe('one');
    expect(all).toBe(false);
  });

  it('says that the set is due where the others are spent, too', async () => {
    openTestHousehold([heron], [fitted(700), ...evenings(heron, 400, 90)]);
    const page = runHook(() => useBroken(heron));
    const { verdict } = await page.after(({ setPosition }) => setPosition(3));
    expect(verdict!.answer).toBe('set');
  });

  it('puts the new one on record out of the cupboard, described as its packet is', async () => {
    const packet = spare([3]);
    openTestHousehold([heron], [fitted(20)], [packet]);
    const page = runHook(() => useBroken(heron));
    await page.after(({ setPosition }) => setPosition(3));
    await page.after(({ record: put }) => put());
    const [, [draft], told] = recorded();
    expect(draft).toMatchObject({
      type: 'strings-fitted',
      payload: { strings: [3], reason: 'broke', spares: [packet.id], specs: [set.strings[3]] },
    });
    expect(told).toBe('The E is new, from the cupboard.');
  });
});

describe('a change being chosen', () => {
  it('begins with the strings the address names, and the reason', () => {
    mockAsked.params = { strings: '3', why: 'broke' };
    openTestHousehold([heron], [fitted(20)]);
    const page = runHook(() => useChangeStart(heron));
    expect(page.now.which).toEqual([3]);
    expect(page.now.why).toBe('broke');
  });

  it('takes what lies in the cupboard, else the same again, else nothing is said', () => {
    const packet = spare([0, 1, 2, 3]);
    openTestHousehold([heron], [fitted(20)], [packet]);
    const stocked = runHook(() => useChangeStart(heron));
    expect(stocked.now.source).toBe(packet.id);
    openTestHousehold([heron], [fitted(20)]);
    const described = runHook(() => useChangeStart(heron));
    expect(described.now.sources.find(({ value }) => value === described.now.source)!.title).toBe('The same as is on');
    openTestHousehold([heron], []);
    const bare = runHook(() => useChangeStart(heron));
    expect(bare.now.sources.find(({ value }) => value === bare.now.source)!.title).toBe('Say later');
  });

  it('warns of a performance only while the strings would not have settled', () => {
    const late = (inDays: number) => {
      openTestHousehold([heron], [fitted(20)], [concert(inDays)]);
      const page = runHook(() => useChangeStart(heron));
      const { tooClose } = page.now;
      return tooClose;
    };
    expect(late(1)).toBe(true);
    expect(late(60)).toBe(false);
  });

  it('begins with every string named once, and each as its packet says', async () => {
    const packet = spare([0, 1, 2, 3]);
    openTestHousehold([heron], [fitted(20)], [packet]);
    const page = runHook(() => useChangeStart(heron));
    await page.after(({ begin }) => begin());
    const [id, [draft], told] = recorded();
    expect(id).toBe(heron.id);
    expect(told).toBeNull();
    expect(draft).toMatchObject({
      type: 'change-began',
      payload: { strings: [0, 1, 2, 3], specs: set.strings, spares: Array(4).fill(packet.id) },
    });
  });

  it('leaves a harp’s many strings to be asked for', () => {
    const tern = anInstrument('Tern', 'harp', 'lever');
    openTestHousehold([tern]);
    const page = runHook(() => useChangeStart(tern));
    expect(page.now.many).toBe(true);
    expect(page.now.which).toEqual([]);
  });
});

describe('comparing', () => {
  it('a lower A pulls less by the square of the pitch, and a wrong one changes nothing', async () => {
    openTestHousehold([heron], [fitted(20)]);
    const page = runHook(() => useComparison(heron));
    expect(page.now.change.total).toBeCloseTo(0, 9);
    const { change } = await page.after(({ setA4 }) => setA4('415'));
    // Tension goes with the square of frequency (Mersenne's law).
    expect(change.total).toBeCloseTo((415 / 440) ** 2 - 1, 6);
    const wrong = await page.after(({ setA4 }) => setA4('44'));
    expect(wrong.a4Wrong).toBe(true);
    expect(wrong.change.total).toBeCloseTo(0, 9);
  });

  it('a longer string at the same note pulls more by the square of its length', async () => {
    openTestHousehold([heron], [fitted(20)]);
    const page = runHook(() => useComparison(heron));
    const before = Number(page.now.length);
    const { change } = await page.after(({ setLength }) => setLength(String(before * 1.01)));
    expect(change.total).toBeCloseTo(1.01 ** 2 - 1, 6);
    const wrong = await page.after(({ setLength }) => setLength('3'));
    expect(wrong.lengthWrong).toBe(true);
  });
});

test('what is on: pulls add up, and a string past its strength is named', () => {
  openTestHousehold([heron], [fitted(20)]);
  const page = runHook(() => useWhatIsOn(heron));
  const { set: pull, breaking } = page.now;
  expect(pull.totalN).toBeCloseTo(
    pull.pulls.reduce((sum, { tensionN }) => sum + (tensionN ?? 0), 0),
    6,
  );
  // The strings of a violin pull 200 to 280 N together (common practice).
  expect(pull.totalN).toBeGreaterThan(180);
  expect(pull.totalN).toBeLessThan(300);
  expect(breaking).toEqual([]);
});

describe('how it is strung', () => {
  const typed = (notes: string) => tuningFrom({ notes, from: '', to: '' }, heron);
  it('reads notes as players write them', () => {
    expect(typed('G3 D4 A4 E5')).toEqual([55, 62, 69, 76]);
    expect(typed(' G3,D4, A4  E5 ')).toEqual([55, 62, 69, 76]);
  });

  it('says which note cannot be read, and how many are wanted', () => {
    expect(typed('G3 D4 H4 E5')).toMatch(/H4/);
    expect(typed('G3 D4 A4')).toMatch(/3.*4/);
  });

  it('reads a harp by its range, from the lowest up', () => {
    const tern = anInstrument('Tern', 'harp', 'lever');
    const range = (from: string, to: string) => tuningFrom({ notes: '', from, to }, tern);
    const strings = range('C2', 'C3');
    expect(strings).toHaveLength(8);
    expect(range('C3', 'C2')).toEqual(expect.any(String));
    expect(range('C2', '?')).toEqual(expect.any(String));
  });

  it('keeps what was typed and says what is wrong beside its field', async () => {
    openTestHousehold([heron], [fitted(20)]);
    const page = runHook(() => useStrungForm(heron));
    await page.after(({ change }) => change({ a4Hz: 'high', notes: 'G3 D4' }));
    const { errors, text } = await page.after(({ save }) => save());
    expect(Object.keys(errors).sort()).toEqual(['a4Hz', 'tuning']);
    expect(text.a4Hz).toBe('high');
  });
});
