import type { Card } from '@tembrin/contract';
import { act } from 'react';
import { mount } from '@/testing/mount';
import { addCards, changeCard } from '@/state/cards';
import { useYear } from '@/state/year';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, evenings, newId, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { keyOf } from './names';
import { useBringIn } from './use-bring-in';
import { useCosts } from './use-costs';
import { useDueItem } from './use-due-item';
import { useOccasionForm } from './use-occasion-form';
import { useYearView } from './use-year-view';
import { dateOfDay } from '@tembrin/core/time';

jest.mock('expo-router', () => ({ router: { push: jest.fn(), replace: jest.fn(), setParams: jest.fn() } }));
jest.mock('@/state/cards', () => ({
  ...jest.requireActual<object>('@/state/cards'),
  addCards: jest.fn(async () => []),
  changeCard: jest.fn(async () => undefined),
}));
const mockPreview = jest.fn();
jest.mock('@/state/api', () => ({
  ...jest.requireActual<object>('@/state/api'),
  call: (...asked: unknown[]) => mockPreview(...asked) as unknown,
}));

const DAY = 86_400_000;
const heron = anInstrument('Heron', 'violin');
const wren = anInstrument('Wren', 'viola');
const history = [heron, wren].flatMap((instrument) => [
  anEvent(instrument, 'strings-fitted', TONIGHT - 150 * DAY, { strings: null, reason: 'worn', known: true }),
  anEvent(instrument, 'rehaired', TONIGHT - 200 * DAY, { reason: 'on-record', known: true }),
  anEvent(instrument, 'checked-up', TONIGHT - 300 * DAY, { known: true }),
  ...evenings(instrument, 90),
]);
const price = (part: 'strings' | 'hair', by: 'self' | 'workshop', low: number, high: number): Card => ({
  id: newId(),
  version: 1,
  kind: 'price',
  facts: { part, by, instrumentId: heron.id, low, high },
});
const occasion = (title: string, kind: 'performance' | 'lesson' | 'holiday', inDays: number): Card<'occasion'> => {
  const date = new Date(TONIGHT + inDays * DAY).toISOString().slice(0, 10);
  const facts = { title, kind, instrumentId: null, spans: [{ from: date, to: date }], source: null };
  return { id: newId(), version: 1, kind: 'occasion', facts };
};

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

describe('the year', () => {
  it('shows everything of everybody, and by choice only some of it', async () => {
    openTestHousehold([heron, wren], history);
    const page = runHook(() => useYearView({ chosen: null }));
    const all = page.now.rows.length;
    expect(all).toBeGreaterThanOrEqual(4);
    const own = await page.after(({ setWhose }) => setWhose(wren.id));
    expect(own.rows.length).toBeLessThan(all);
    expect(own.rows.every(({ title }) => title.startsWith('Wren: '))).toBe(true);
    expect(own.filterWords).toBe('Wren, by anyone');
    const shop = await page.after(({ setWho }) => setWho('workshop'));
    expect(shop.rows.length).toBeLessThan(own.rows.length);
    expect(shop.filterWords).toBe('Wren, by workshop');
  });

  it('says of each thread what it is, when it is planned, by whom, and its window', () => {
    openTestHousehold([heron], history);
    const page = runHook(() => useYearView({ chosen: null }));
    for (const { label } of page.now.rows) expect(label).toMatch(/^Heron: .+, .+: planned, by .+; due between .+ and /);
  });

  it('marks performances and holidays, not lessons, and lists all of them that are still to come', () => {
    const days = [
      occasion('Lighthouse concert', 'performance', 40),
      occasion('A lesson', 'lesson', 7),
      occasion('Away', 'holiday', 90),
      occasion('Long gone', 'performance', -20),
    ];
    openTestHousehold([heron], history, days);
    const page = runHook(() => useYearView({ chosen: null }));
    expect(page.now.marks.map(({ kind }) => kind).sort()).toEqual(['performance', 'performance', 'rest']);
    expect(page.now.coming.map(({ title }) => title)).toEqual(['A lesson', 'Lighthouse concert', 'Away']);
  });

  it('has the first thread beside it until another is chosen', () => {
    openTestHousehold([heron], history);
    const first = runHook(() => useYearView({ chosen: null }));
    expect(first.now.beside).toBe(first.now.rows[0]!.key);
    const chosen = runHook(() => useYearView({ chosen: 'another' }));
    expect(chosen.now.beside).toBe('another');
  });
});

describe('an item of the year', () => {
  const strings = () => {
    const page = runHook(() => useYear());
    const item = page.now.items.find(({ instrumentId, part }) => instrumentId === heron.id && part === 'strings')!;
    return item;
  };

  it('the later it is moved, the likelier it is spent by then; never before today', async () => {
    openTestHousehold([heron], history);
    const item = strings();
    const page = runHook(() => useDueItem(item));
    expect(page.now.moved).toBe(0);
    expect(page.now.risk).toBeCloseTo(page.now.planned, 9);
    let before = page.now.risk;
    for (let month = 0; month < 6; month++) {
      const { risk } = await page.after(({ nudge }) => nudge(30));
      expect(risk).toBeGreaterThanOrEqual(before);
      before = risk;
    }
    expect(before).toBeGreaterThan(0.75);
    const { day, today } = await page.after(({ nudge }) => nudge(-10_000));
    expect(day).toBe(today);
  });

  it('a date of the player’s own is kept as an appointment for this life of the part', async () => {
    openTestHousehold([heron], history);
    const item = strings();
    const page = runHook(() => useDueItem(item));
    await page.after(({ save }) => save({ day: item.day + 7 }));
    expect(addCards).toHaveBeenCalledWith(
      [
        {
          kind: 'appointment',
          facts: {
            instrumentId: heron.id,
            part: 'strings',
            date: dateOfDay(item.day + 7),
            lifeFrom: item.from,
            by: null,
          },
        },
      ],
      expect.stringMatching(/^Planned for /),
    );
  });

  it('an appointment on record is changed, not made twice', async () => {
    openTestHousehold([heron], history);
    const { from, part } = strings();
    const facts = { instrumentId: heron.id, part, date: '2026-09-01', lifeFrom: from, by: null };
    openTestHousehold([heron], history, [{ id: newId(), version: 3, kind: 'appointment', facts }]);
    const item = strings();
    expect(dateOfDay(item.day)).toBe('2026-09-01');
    const page = runHook(() => useDueItem(item));
    await page.after(({ save }) => save({ by: 'teacher' }));
    expect(addCards).not.toHaveBeenCalled();
    expect(jest.mocked(changeCard).mock.calls[0]![1]).toMatchObject({ date: '2026-09-01', by: 'teacher' });
  });
});

describe('costs', () => {
  it('without a price nothing is made up', () => {
    openTestHousehold([heron], history);
    const page = runHook(() => useCosts());
    expect(page.now.total).toMatchObject({ low: 0, middle: 0, high: 0 });
    expect(page.now.total.missing).toBeGreaterThan(0);
    expect(page.now.comparable).toBe(false);
  });

  it('are the player’s own prices times how often it comes, with their range', () => {
    openTestHousehold([heron], history, [price('strings', 'self', 60, 80)], { currency: 'EUR' });
    const page = runHook(() => useCosts());
    const { own } = page.now.bySubject[0]!;
    const strings = own.find(({ part }) => part === 'strings')!;
    expect(strings.cost!.low).toBeCloseTo(60 * strings.times.low, 6);
    expect(strings.cost!.high).toBeCloseTo(80 * strings.times.high, 6);
    expect(page.now.range({ low: 60, middle: 70, high: 80 })).toBe('€60 to €80');
    expect(page.now.range({ low: 4.5, middle: 4.5, high: 4.5 })).toBe('€4.50');
  });

  it('both ways of doing it priced, they are compared', () => {
    openTestHousehold([heron], history, [price('strings', 'self', 60, 60), price('strings', 'workshop', 100, 100)]);
    const page = runHook(() => useCosts());
    expect(page.now.comparable).toBe(true);
    expect(page.now.saved).toBeGreaterThan(0);
  });
});

describe('a day that matters', () => {
  it('is put on record on one day unless its end is said', async () => {
    openTestHousehold([heron]);
    const close = jest.fn();
    const page = runHook(() => useOccasionForm({ card: null, onClose: close }));
    await page.after(({ setTitle, setFrom }) => {
      setTitle('Lighthouse concert');
      setFrom('2026-07-04');
    });
    await page.after(({ save }) => save());
    expect(close).toHaveBeenCalled();
    expect(jest.mocked(addCards).mock.calls[0]![0]).toMatchObject([
      { kind: 'occasion', facts: { title: 'Lighthouse concert', spans: [{ from: '2026-07-04', to: '2026-07-04' }] } },
    ]);
  });

  it('stays open with a sentence where it cannot be', async () => {
    openTestHousehold([heron]);
    const close = jest.fn();
    const page = runHook(() => useOccasionForm({ card: null, onClose: close }));
    const { errors } = await page.after(({ save }) => save());
    expect(errors.title).toMatch(/name/i);
    expect(close).not.toHaveBeenCalled();
  });
});

describe('another calendar', () => {
  const file = (bytes: number) => ({ size: bytes, text: async () => 'BEGIN:VCALENDAR' }) as unknown as File;
  const found = (uid: string, guess: string) => ({
    uid,
    title: uid,
    guess,
    spans: [{ from: '2026-07-01', to: '2026-07-01' }],
    cut: false,
  });
  /** Chooses a file as a player would. */
  const choose = (chosen: File, element: HTMLElement) =>
    act(async () => {
      const input = element.querySelector('input')!;
      Object.defineProperty(input, 'files', { value: [chosen], configurable: true });
      input.dispatchEvent(new Event('change', { bubbles: true }));
    });

  it('offers what is played before others, leaves lessons and what is here already out', async () => {
    const known = occasion('Here', 'performance', 10);
    const as = (source: string, spans: { from: string; to: string }[]) => ({
      ...known,
      id: `${known.id}${source}`,
      facts: { ...known.facts, source, spans },
    });
    const day = { from: '2026-07-01', to: '2026-07-01' };
    const past = { from: '2026-05-01', to: '2026-05-01' };
    const elsewhere = { from: '2026-06-20', to: '2026-06-20' };
    openTestHousehold([heron], [], [as('here', [past, day]), as('moved', [past, elsewhere])]);
    mockPreview.mockResolvedValue({
      occasions: [
        found('concert', 'performance'),
        found('lesson', 'lesson'),
        found('here', 'performance'),
        found('moved', 'performance'),
      ],
      unreadable: [],
      outside: 0,
    });
    const seen: { model: ReturnType<typeof useBringIn> | null } = { model: null };
    function Runner() {
      seen.model = useBringIn();
      return seen.model.input.element;
    }
    const { element, remove } = mount(<Runner />);
    await choose(file(100), element);
    // A concert that was moved is offered as a change.
    expect(seen.model!.chosen.map(({ uid }) => uid)).toEqual(['concert', 'moved']);
    await act(async () => seen.model!.bring());
    expect(jest.mocked(addCards).mock.calls[0]![0]).toMatchObject([{ facts: { title: 'concert', source: 'concert' } }]);
    expect(jest.mocked(changeCard).mock.calls.at(-1)![1]).toMatchObject({ source: 'moved', spans: [past, day] });
    await choose(file(50_000_000), element);
    expect(seen.model!.problem).toMatch(/50\.0 MB/);
    expect(mockPreview).toHaveBeenCalledTimes(1);
    remove();
  });
});

test('an item is named in addresses by its instrument and its part', () => {
  expect(keyOf({ instrumentId: 'v', bowId: null, part: 'hair' })).toBe('v~hair');
});
