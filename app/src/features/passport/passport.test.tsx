import type { Card } from '@tembrin/contract';
import { addCards, changeCard } from '@/state/cards';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, evenings, newId, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { PASSPORT_BOUNDS, passportSchema } from '@tembrin/core/passport';
import { useAssessment } from '@/state/assessments';
import { download } from '../files/files';
import { useIdentity } from './use-identity';
import { usePassport } from './use-passport';
import { useGive, useTake } from './use-handover';

jest.mock('expo-router', () => ({
  router: { push: jest.fn(), replace: jest.fn(), navigate: jest.fn() },
  useLocalSearchParams: () => ({ key: 'a-key' }),
}));
jest.mock('@/state/cards', () => ({
  ...jest.requireActual<object>('@/state/cards'),
  addCards: jest.fn(async () => [{ id: 'made' }]),
  changeCard: jest.fn(async () => undefined),
}));
jest.mock('../files/files', () => ({ download: jest.fn(async () => undefined) }));
const mockCall = jest.fn();
jest.mock('@/state/api', () => ({
  ...jest.requireActual<object>('@/state/api'),
  call: (...asked: unknown[]) => mockCall(...asked) as unknown,
}));
const mockReadAnew = jest.fn(async () => undefined);
jest.mock('@/state/household', () => ({
  ...jest.requireActual<object>('@/state/household'),
  readAnew: () => mockReadAnew(),
  refreshHousehold: jest.fn(async () => undefined),
}));

const DAY = 86_400_000;
const heron = anInstrument('Heron', 'violin');
const identity: Card<'identity'> = {
  id: newId(),
  version: 1,
  kind: 'identity',
  facts: {
    instrumentId: heron.id,
    label: 'At the sign of the Tern',
    made: 'about 1890',
    serial: '77',
    marks: '',
    value: { amount: 12_000, currency: 'EUR', on: null },
    insurer: 'Harbour Mutual',
    policy: 'P 1',
    came: '',
  },
};
const photo = (n: number, view?: 'front') =>
  anEvent(heron, 'photographed', TONIGHT - (100 - n) * DAY, {
    photo: n.toString(16).padStart(64, '0'),
    look: null,
    zone: null,
    findingId: null,
    ...(view && { view }),
  });
const life = [
  ...evenings(heron, 30, 60),
  anEvent(heron, 'strings-fitted', TONIGHT - 200 * DAY, { strings: null, reason: 'worn', known: true }),
  anEvent(heron, 'strings-fitted', TONIGHT - 20 * DAY, { strings: [3], reason: 'broke', known: true }),
  anEvent(heron, 'measured', TONIGHT - 60 * DAY, { figure: 'rest-left', value: 30 }),
  anEvent(heron, 'measured', TONIGHT - 2 * DAY, { figure: 'rest-left', value: 34 }),
  anEvent(heron, 'rehaired', TONIGHT - 90 * DAY, { reason: 'worn', known: true }),
  anEvent(heron, 'worked-on', TONIGHT - 90 * DAY, {
    by: 'workshop',
    words: 'Rehair',
    part: 'hair',
    cost: { amount: 62, currency: 'EUR' },
    visitId: null,
  }),
];

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

function passport(events = life, cards: readonly Card[] = [identity]) {
  openTestHousehold([heron], events, cards);
  return runHook(() => usePassport(heron, useAssessment(heron)));
}
const rowsOf = (page: ReturnType<typeof passport>, title: string) =>
  page.now.sections.find((section) => section.title === title)?.rows;

test('a passport tells a life in rows, the newest first, and what it is told by first of all', () => {
  const page = passport();
  expect(page.now.sections.map(({ title }) => title)).toEqual([
    'What it is told by',
    'Played',
    'Set-up over time',
    'Strings',
    'Workshop',
  ]);
  expect(rowsOf(page, 'What it is told by')).toEqual(
    expect.arrayContaining([
      ['Label', 'At the sign of the Tern'],
      ['Made', 'about 1890'],
    ]),
  );
  expect(rowsOf(page, 'Set-up over time')).toEqual([
    ['Rest height, left foot', expect.stringMatching(/^34 mm \(.*\); 30 mm \(.*\)$/)],
  ]);
  expect(rowsOf(page, 'Strings')!.map(([, words]) => words)).toEqual(['New E string: one broke', 'New set: worn']);
  expect(rowsOf(page, 'Workshop')!.map(([, words]) => words)).toEqual(['Rehair: €62']);
});

test('its value and insurer are told only where that is said', async () => {
  const page = passport();
  const told = () => JSON.stringify(page.now.sections);
  expect(told()).not.toMatch(/12,000|Harbour Mutual/);
  await page.after(({ setValue }) => setValue('yes'));
  expect(told()).toMatch(/€12,000.*Harbour Mutual, P 1/);
});

test('what is printed fits what is taken, however long the life; what is left out is said', async () => {
  const many = Array.from({ length: 2000 }, (_, n) =>
    anEvent(heron, 'strings-fitted', TONIGHT - (3000 - n) * 3_600_000, {
      strings: [n % 4],
      reason: 'broke',
      known: true,
    }),
  );
  const photos = Array.from({ length: 90 }, (_, n) => photo(n, n < 5 ? 'front' : undefined));
  const page = passport([...life, ...many, ...photos]);
  await page.after(({ print }) => print());
  const [operation, parts] = jest.mocked(download).mock.calls[0]!;
  expect(operation).toBe('printPassport');
  const { passport: document } = (parts as { body: { passport: unknown } }).body;
  const read = passportSchema.parse(document);
  expect(read.views).toHaveLength(1);
  expect(read.views.length + read.photos.length).toBe(PASSPORT_BOUNDS.photos);
  expect(read.sections.find(({ title }) => title === 'Strings')!.rows.at(-1)![1]).toMatch(/^And \d+ more on record\.$/);
  expect(page.now.left).toBe(90 - PASSPORT_BOUNDS.photos);
});

test('what an instrument is told by is checked beside its fields, kept once and then changed', async () => {
  openTestHousehold([heron], [], []);
  const form = runHook(() => useIdentity(heron));
  await form.after(({ change }) => change({ label: 'A label', amount: '1.200,50', currency: 'eur' }));
  await form.after(({ save }) => save());
  expect(form.now.errors.amount).toMatch(/number/);
  await form.after(({ change }) => change({ amount: '1200,5' }));
  await form.after(({ save }) => save());
  expect(jest.mocked(addCards).mock.calls[0]![0]).toEqual([
    {
      kind: 'identity',
      facts: expect.objectContaining({ label: 'A label', value: { amount: 1200.5, currency: 'EUR', on: null } }),
    },
  ]);
  openTestHousehold([heron], [], [identity]);
  const known = runHook(() => useIdentity(heron));
  expect(known.now.draft).toMatchObject({ serial: '77', amount: '12000', currency: 'EUR' });
  await known.after(({ save }) => save());
  expect(changeCard).toHaveBeenCalled();
});

const offer = {
  id: newId(),
  instrumentId: heron.id,
  key: 'a-key',
  expiresAt: '2026-06-08T12:00:00.000Z',
  doneAt: null,
};

test('an instrument is handed over once somebody said that they take it', async () => {
  openTestHousehold([heron]);
  mockCall.mockImplementation(async (operation: string) =>
    operation === 'readHandovers' ? { handovers: [{ ...offer, taker: 'The quay' }] } : { ...offer, taker: 'The quay' },
  );
  const page = runHook(() => useGive(heron));
  await page.after(() => Promise.resolve());
  expect(page.now).toMatchObject({ known: true, offer: { taker: 'The quay' } });
  expect(page.now.url).toMatch(/\/kit\/take\?key=a-key$/);
  await page.after(({ complete }) => complete());
  expect(mockCall).toHaveBeenCalledWith('completeHandover', { params: { id: offer.id } });
});

test('what is offered is shown, taken, and read once it is here', async () => {
  openTestHousehold([heron]);
  const seen = { id: heron.id, name: 'Heron', family: 'violin', from: 'Ours', entries: 3, photos: 1, expiresAt: '' };
  mockCall.mockImplementation(async (operation: string) => ({ ...seen, mine: operation === 'takeOffer', done: false }));
  const page = runHook(() => useTake());
  await page.after(() => Promise.resolve());
  expect(page.now.offer).toMatchObject({ name: 'Heron', mine: false });
  await page.after(({ take }) => take());
  expect(page.now.offer).toMatchObject({ mine: true, done: false });
  expect(mockReadAnew).not.toHaveBeenCalled();
  mockCall.mockImplementation(async () => ({ ...seen, mine: true, done: true }));
  const later = runHook(() => useTake());
  await later.after(() => Promise.resolve());
  expect(later.now.offer).toMatchObject({ done: true });
  expect(mockReadAnew).toHaveBeenCalled();
});
