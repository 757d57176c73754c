import type { Card } from '@tembrin/contract';
import { addCards, changeCard, useCardStore } from '@/state/cards';
import { notifyProblem } from '@/state/notice';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, evenings, newId, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import type { BriefDocument } from '@tembrin/core/brief';
import { download } from '../files/files';
import { useBrief } from './use-brief';

jest.mock('expo-router', () => ({ router: { push: jest.fn(), replace: jest.fn() } }));
jest.mock('@/state/cards', () => ({
  ...jest.requireActual<object>('@/state/cards'),
  addCards: jest.fn(async () => [{ id: 'kept' }]),
  changeCard: jest.fn(async () => undefined),
}));
jest.mock('@/state/notice', () => ({ notify: jest.fn(), notifyProblem: jest.fn() }));
jest.mock('../files/files', () => ({ download: jest.fn(async () => undefined) }));

const DAY = 86_400_000;
const heron = anInstrument('Heron', 'violin');
const trouble = anEvent(heron, 'trouble-noticed', TONIGHT - 3 * DAY, { symptoms: ['buzz-many'], by: 'player' });
const events = [
  ...evenings(heron, 30),
  anEvent(heron, 'strings-fitted', TONIGHT - 20 * DAY, { strings: [2], reason: 'broke', known: true }),
  anEvent(heron, 'measured', TONIGHT - 60 * DAY, { figure: 'rest-left', value: 30 }),
  anEvent(heron, 'measured', TONIGHT - 2 * DAY, { figure: 'rest-left', value: 34 }),
  trouble,
  anEvent(heron, 'trouble-answered', TONIGHT - 2 * DAY, {
    troubleId: trouble.id,
    question: 'seams-seen',
    answer: 'gap',
  }),
];
const card = (facts: Partial<BriefDocument>): Card<'brief'> => ({
  id: newId(),
  version: 2,
  kind: 'brief',
  facts: {
    instrumentId: heron.id,
    title: 'Mine',
    about: 'A violin.',
    sections: [],
    wishes: 'By Friday.',
    photos: [],
    ...facts,
  },
});
const added = () => jest.mocked(addCards).mock.calls.at(-1)![0][0] as unknown as { facts: BriefDocument };

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

/** The brief of the violin as it stands. */
function brief(cards: readonly Card[] = []) {
  openTestHousehold([heron], events, cards);
  return runHook(() => useBrief(heron));
}

test('is composed from the log in sentences, with what it could be and the log’s own figures', () => {
  const { draft, kept } = brief().now;
  expect(kept).toBe(false);
  expect(draft.title).toBe('It buzzes on many notes');
  expect(draft.about).toBe('Violin, tuned to A = 440 Hz.');
  const text = Object.fromEntries(draft.sections.map((section) => [section.title, section.text]));
  expect(text['What is noticed']).toMatch(
    /^It buzzes on many notes, since .*\.\nLook along the seams: all closed\? A gap\.\nIt could be: an open seam \(\d\d %\)/,
  );
  expect(text['What was changed lately']).toMatch(/^New A string, /);
  expect(text.Figures).toMatch(/^Rest height, left foot: 34 mm \(.*; 30 mm on .*\)\.$/);
  expect(draft.sections.map(({ title }) => title)).not.toContain('What was tried');
});

test('what was written stays, is checked, kept and printed; a long one is told', async () => {
  const page = brief();
  await page.after(({ change }) => change({ title: '', wishes: 'By Friday.' }));
  await page.after(({ save }) => save());
  expect(page.now.problem).toBe('Give the brief a title.');
  expect(addCards).not.toHaveBeenCalled();
  await page.after(({ change }) => change({ title: 'A buzz' }));
  await page.after(({ setSection }) => setSection(0, ' One.\n\n  Two. '));
  await page.after(({ print }) => print());
  expect(added().facts).toMatchObject({ title: 'A buzz', wishes: 'By Friday.', instrumentId: heron.id });
  expect(added().facts.sections[0]).toEqual({ title: 'What is noticed', lines: ['One.', 'Two.'] });
  expect(download).toHaveBeenCalledWith('printBrief', { params: { id: 'kept' }, query: { paper: 'a4' } });
});

test('one that is kept is shown as it was written, changed in place, and composed anew without its wishes lost', async () => {
  const mine = card({ sections: [{ title: 'Noticed', lines: ['It sings.'] }] });
  const page = brief([mine]);
  expect(page.now).toMatchObject({
    kept: true,
    draft: { title: 'Mine', sections: [{ title: 'Noticed', text: 'It sings.' }] },
  });
  await page.after(({ anew }) => anew());
  expect(page.now.draft).toMatchObject({ title: 'It buzzes on many notes', wishes: 'By Friday.' });
  await page.after(({ setPaper }) => setPaper('letter'));
  await page.after(({ save }) => save());
  expect(jest.mocked(changeCard).mock.calls[0]![0]).toEqual(mine);
});

test('what has not reached the server is not printed yet, and that is said', async () => {
  const page = brief([card({})]);
  await page.after(() => useCardStore.setState({ unsent: 1 }));
  await page.after(({ print }) => print());
  expect(download).not.toHaveBeenCalled();
  expect(notifyProblem).toHaveBeenCalledWith(expect.stringMatching(/has not reached the server/));
});

test('photographs are chosen, twelve at most', async () => {
  const photos = Array.from({ length: 14 }, (_, n) =>
    anEvent(heron, 'photographed', TONIGHT - (20 - n) * DAY, {
      photo: String(n).padStart(64, '0'),
      look: null,
      zone: null,
      findingId: null,
    }),
  );
  openTestHousehold([heron], [...events, ...photos]);
  const page = runHook(() => useBrief(heron));
  expect(page.now.draft.photos).toHaveLength(12);
  const left = page.now.photos.find(({ photo }) => !page.now.draft.photos.includes(photo))!;
  await page.after(({ togglePhoto }) => togglePhoto(left.photo));
  expect(page.now.draft.photos).toHaveLength(12);
  await page.after(({ togglePhoto, draft }) => togglePhoto(draft.photos[0]!));
  await page.after(({ togglePhoto }) => togglePhoto(left.photo));
  expect(page.now.draft.photos.at(-1)).toBe(left.photo);
});

test('what is too much for a page is left out, and that is said', () => {
  const many = Array.from({ length: 25 }, (_, n) =>
    anEvent(heron, 'strings-fitted', TONIGHT - (30 + n) * DAY, { strings: [n % 4], reason: 'broke', known: true }),
  );
  const note = 'n'.repeat(300);
  const work = anEvent(heron, 'job-began', TONIGHT - DAY, { job: 'loose-parts' });
  const ended = anEvent(heron, 'job-ended', TONIGHT - DAY / 2, { jobId: work.id, finished: true, note });
  openTestHousehold([heron], [...evenings(heron, 5), ...many, work, ended]);
  const { sections } = runHook(() => useBrief(heron)).now.draft;
  const lines = (title: string) => sections.find((section) => section.title === title)!.text.split('\n');
  expect(lines('What was changed lately')).toHaveLength(20);
  expect(lines('What was changed lately').at(-1)).toBe('And 6 more on record.');
  expect(lines('What was tried')[0]).toMatch(/^The hunt for a loose part.*n…$/);
  expect(lines('What was tried')[0]).toHaveLength(300);
});
