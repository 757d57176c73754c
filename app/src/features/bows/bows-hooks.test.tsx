import type { Card, CardFacts } from '@tembrin/contract';
import { act } from '@/state/actions';
import { useAssessment } from '@/state/assessments';
import { inHand, putAway, saidOf, takeBow, useBows } from '@/state/bows';
import { addCards, changeCard } from '@/state/cards';
import { judgedFor, useSubjectNames, useYear } from '@/state/year';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, evenings, newId, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { changedFacts } from '../kit/changed-facts';
import { useBowSheet } from './use-bow-sheet';
import { usualFacts, variantOf, withLayout } from '@tembrin/core/instruments';
import { subjectOf } from '@tembrin/core/parts';

jest.mock('@/state/actions', () => ({ act: jest.fn(async () => []) }));
jest.mock('@/state/cards', () => ({
  ...jest.requireActual<object>('@/state/cards'),
  addCards: jest.fn(async () => []),
  changeCard: jest.fn(async () => undefined),
}));

const DAY = 86_400_000;
const cello = anInstrument('Bittern', 'cello');
const second = anInstrument('Rail', 'cello');
const lightId = newId();
const light: Card<'bow'> = {
  id: lightId,
  kind: 'bow',
  version: 1,
  facts: { title: 'The light bow', ownOf: null, instrumentIds: [cello.id], use: 'seldom', gone: false },
};
const hair = (bowId?: string) =>
  anEvent(cello, 'rehaired', TONIGHT - 100 * DAY, { reason: 'on-record', known: true, ...(bowId && { bowId }) });
const taken = anEvent(cello, 'bow-taken', TONIGHT - DAY, { bowId: lightId });
const added = () => jest.mocked(addCards).mock.calls.at(-1)![0] as readonly CardFacts[];
const recorded = () => jest.mocked(act).mock.calls.at(-1)!;

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

test('an instrument has the bow it came with, and those that are said; the one in hand comes first', () => {
  openTestHousehold([cello], [...evenings(cello, 5), hair()]);
  expect(runHook(() => useBows(cello)).now.map(({ name }) => name)).toEqual(['Bittern’s own bow']);
  openTestHousehold([cello], [...evenings(cello, 5), taken], [light]);
  const bows = runHook(() => useBows(cello)).now;
  expect(bows.map(({ name }) => name)).toEqual(['The light bow', 'Bittern’s own bow']);
  takeBow(cello.id, bows[1]!);
  expect(recorded()).toEqual([
    cello.id,
    [{ type: 'bow-taken', payload: { bowId: cello.id } }],
    expect.stringMatching(/^Bittern’s own bow is in hand/),
  ]);
});

test('an entry says which bow it is about as soon as there are several', () => {
  expect(saidOf(cello.id, cello, [1])).toEqual({});
  expect(saidOf(cello.id, cello, [1, 2])).toEqual({ bowId: cello.id });
  expect(saidOf(lightId, cello, [1])).toEqual({ bowId: lightId });
  openTestHousehold([cello], [taken], [light]);
  expect(inHand(cello, runHook(() => useAssessment(cello)).now.bows)).toEqual({ bowId: lightId });
});

test('what comes due of another bow is told by its name, and judged by its own hair', () => {
  openTestHousehold([cello], [...evenings(cello, 40), hair(), hair(lightId)], [light]);
  const page = runHook(() => ({ year: useYear(), names: useSubjectNames(), judged: useAssessment(cello) }));
  const { year, names, judged } = page.now;
  const item = year.items.find(({ bowId, part }) => bowId === lightId && part === 'hair')!;
  expect(names.get(subjectOf(item))).toBe('Bittern, The light bow');
  const clockOf = (of: Parameters<typeof judgedFor>[0]) => {
    const thread = judgedFor(of, [judged])!.threads.find(({ part }) => part === 'hair')!;
    return 'clock' in thread ? thread.clock!.hoursPlayed : null;
  };
  expect(clockOf(item)).toBe(0);
  expect(clockOf({ instrumentId: cello.id, bowId: null })).toBeCloseTo(30, 6);
});

describe('the sheet of a bow', () => {
  const sheet = (bow: number | null, cards: readonly Card[] = []) => {
    openTestHousehold([cello, second], [hair()], cards);
    const onClose = jest.fn();
    return runHook(() => {
      const bows = useBows(cello);
      return useBowSheet({ instrument: cello, bow: bow === null ? null : bows[bow]!, nowMs: TONIGHT, onClose });
    });
  };

  test('adds one with the hair it has', async () => {
    const page = sheet(null);
    await page.after(({ save }) => save());
    expect(page.now.errors['title']).toMatch(/name/);
    await page.after(({ change }) => change({ title: 'Spare', instrumentIds: [] }));
    await page.after(({ save }) => save());
    expect(page.now.errors['instrumentIds']).toBeTruthy();
    expect(addCards).not.toHaveBeenCalled();
    await page.after(({ change, setHair }) => {
      change({ instrumentIds: [cello.id, second.id] });
      setHair({ kind: 'unknown' });
    });
    await page.after(({ save }) => save());
    const card = added()[0] as Card<'bow'>;
    expect(card).toMatchObject({ kind: 'bow', facts: { title: 'Spare', instrumentIds: [cello.id, second.id] } });
    const [instrumentId, drafts] = recorded();
    expect(instrumentId).toBe(cello.id);
    expect(drafts[0]).toMatchObject({ type: 'rehaired', payload: { known: false, bowId: card.id } });
  });

  test('names the one an instrument came with, which keeps its id; a card there is is changed', async () => {
    const page = sheet(0);
    await page.after(({ change }) => change({ title: 'Silver mounted' }));
    await page.after(({ save }) => save());
    expect(added()[0]).toMatchObject({
      facts: { title: 'Silver mounted', ownOf: cello.id, instrumentIds: [cello.id] },
    });
    const other = sheet(1, [light]);
    await other.after(({ change }) => change({ use: 'often' }));
    await other.after(({ save }) => save());
    expect(jest.mocked(changeCard).mock.calls[0]![1]).toMatchObject({ title: 'The light bow', use: 'often' });
  });

  test('one that is put away for good is let go of first', async () => {
    openTestHousehold([cello], [taken], [light]);
    await putAway(lightId);
    expect(recorded().slice(0, 2)).toEqual([cello.id, [{ type: 'bow-taken', payload: { bowId: cello.id } }]]);
    jest.clearAllMocks();
    await putAway(cello.id);
    expect(act).not.toHaveBeenCalled();
  });
});

describe('facts that hang together', () => {
  const bass = { name: 'Cormorant', ...usualFacts('bass') };
  const extended = withLayout(
    bass,
    variantOf(bass).layouts.find(({ longer }) => longer)!,
  );

  test('another kind has its own usual strings', () => {
    const guitar = { name: 'Plover', ...usualFacts('guitar', 'steel') };
    const twelve = withLayout(guitar, variantOf(guitar).layouts[1]!);
    expect(changedFacts(twelve, { kind: 'bass-guitar' })).toMatchObject({
      stringCount: 4,
      stringing: { tuning: null },
    });
  });

  test('an extension is as long as the size asks', () => {
    expect(extended.stringing.lengthsMm![0]).toBe(1323);
    expect(changedFacts(extended, { size: '4/4' }).stringing.lengthsMm![0]).toBe(Math.round(1100 * 2 ** (1 / 3)));
  });

  test('another number of strings has neither notes nor lengths yet', () => {
    expect(changedFacts(extended, { stringCount: 6 }).stringing).toMatchObject({ tuning: null, lengthsMm: null });
    expect(changedFacts(extended, { name: 'Other' }).stringing).toEqual(extended.stringing);
  });
});
