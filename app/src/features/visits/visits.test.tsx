import type { Card, Share } from '@tembrin/contract';
import { act as record, enter } from '@/state/actions';
import { addCards, changeCard } from '@/state/cards';
import { makeShare, revokeShare, settleAnswer, useShares } from '@/state/shares';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, evenings, newId, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import type { Answer } from '@tembrin/core/visits';
import { openVisitFor } from './begin';
import { useBriefCard } from './briefs';
import { useAnswer } from './use-answer';
import { useContactFile, useContactSheet } from './use-contacts';
import { useVisit } from './use-visit';

jest.mock('expo-router', () => ({ router: { push: jest.fn(), replace: jest.fn() } }));
jest.mock('@/state/cards', () => ({
  ...jest.requireActual<object>('@/state/cards'),
  addCards: jest.fn(async () => [{ id: 'made' }]),
  changeCard: jest.fn(async () => undefined),
}));
jest.mock('@/state/actions', () => ({
  ...jest.requireActual<object>('@/state/actions'),
  act: jest.fn(async () => []),
  enter: jest.fn(async (events: readonly unknown[]) => events),
}));
jest.mock('@/state/shares', () => ({
  ...jest.requireActual<object>('@/state/shares'),
  makeShare: jest.fn(async () => undefined),
  revokeShare: jest.fn(async () => undefined),
  settleAnswer: jest.fn(async () => undefined),
  useFreshShares: () => true,
}));
const mockCall = jest.fn();
jest.mock('@/state/api', () => ({
  ...jest.requireActual<object>('@/state/api'),
  call: (...asked: unknown[]) => mockCall(...asked) as unknown,
}));

const DAY = 86_400_000;
const heron = anInstrument('Heron', 'violin');
const wren = anInstrument('Wren', 'viola');
const seam = anEvent(heron, 'looked-at', TONIGHT - 9 * DAY, {
  look: 'seams',
  verdict: 'act',
  overId: null,
  by: 'player',
  zone: null,
  point: null,
  figures: [],
  string: null,
  note: '',
});
const briefOf = ({ id: instrumentId }: { id: string }): Card<'brief'> => ({
  id: newId(),
  version: 1,
  kind: 'brief',
  facts: {
    instrumentId,
    title: 'A buzz',
    about: '',
    sections: [],
    wishes: '',
    asked: [
      { about: 'part', part: 'hair', bowId: null, words: 'Rehair' },
      { about: 'finding', findingId: seam.id, words: 'An open seam' },
    ],
    photos: [],
  },
});
const brief = briefOf(heron);
const visitOf = (briefIds: string[], more: object = {}): Card<'visit'> => ({
  id: newId(),
  version: 1,
  kind: 'visit',
  facts: { briefIds, contactId: null, date: null, askedAt: null, endedAt: null, ...more },
});
const visit = visitOf([brief.id]);
const done: Answer = {
  kind: 'done',
  from: 'M.',
  note: '',
  currency: 'EUR',
  on: '2026-05-31',
  sheets: [
    {
      briefId: brief.id,
      lines: [
        { asked: 0, words: '', cost: 65 },
        { asked: 1, words: '', cost: null },
      ],
      figures: [{ figure: 'rest-left', value: 29 }],
    },
  ],
};
const shareOf = (...answers: Answer[]): Share => ({
  id: newId(),
  visitId: visit.id,
  path: '/workshop/key',
  madeAt: '2026-05-28T12:00:00.000Z',
  expiresAt: '2026-06-28T12:00:00.000Z',
  openedAt: null,
  sheets: [{ briefId: brief.id, instrumentId: heron.id, family: 'violin', asked: brief.facts.asked! }],
  answers: answers.map((answer) => ({ id: newId(), at: '2026-06-01T09:00:00.000Z', answer, settledAt: null })),
});

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
  useShares.setState({ shares: [], householdId: null });
});
afterEach(() => jest.useRealTimers());

/** The visit as its page has it. */
function onVisit(share: Share | null, more: ReturnType<typeof anEvent>[] = []) {
  openTestHousehold([heron, wren], [...evenings(heron, 20), seam, ...more], [brief, visit]);
  useShares.setState({ shares: share ? [share] : [] });
  return runHook(() => useVisit(visit));
}

test('a visit is planned, asked, answered, brought and back, each by what is on record', () => {
  expect(onVisit(null).now.state).toBe('planned');
  expect(onVisit(shareOf()).now).toMatchObject({ state: 'asked', at: 1 });
  expect(onVisit(shareOf({ kind: 'seen', from: '', note: '' })).now.state).toBe('answered');
  const stay = anEvent(heron, 'brought-in', TONIGHT - 2 * DAY, { visitId: visit.id, expected: null });
  expect(onVisit(shareOf(), [stay]).now).toMatchObject({ state: 'brought', over: false });
  const back = anEvent(heron, 'fetched-back', TONIGHT - DAY, { stayId: stay.id });
  expect(onVisit(shareOf(), [stay, back]).now).toMatchObject({ state: 'back', over: true });
});

test('it is brought and fetched back on each instrument’s own log, and sent under a link', async () => {
  const page = onVisit(null);
  await page.after(({ bring }) => bring('2026-06-05'));
  expect(record).toHaveBeenCalledWith(
    heron.id,
    [{ type: 'brought-in', payload: { visitId: visit.id, expected: '2026-06-05' } }],
    expect.any(String),
  );
  await page.after(({ link }) => link.make());
  expect(makeShare).toHaveBeenCalledWith(visit.id);
  await page.after(({ told }) => told());
  expect(jest.mocked(changeCard).mock.calls.at(-1)![1]).toMatchObject({ askedAt: '2026-06-01T20:00:00.000Z' });
});

test('the year lays what is to be done in a visit on its day; called off, its link closes', async () => {
  const hair = anEvent(heron, 'rehaired', TONIGHT - 300 * DAY, { reason: 'on-record', known: true });
  const page = onVisit(shareOf(), [hair]);
  await page.after(({ setDate }) => setDate('2026-06-09'));
  expect(jest.mocked(changeCard).mock.calls[0]![1]).toMatchObject({ date: '2026-06-09' });
  expect(jest.mocked(addCards).mock.calls.flatMap(([cards]) => cards)).toEqual([
    {
      kind: 'appointment',
      facts: expect.objectContaining({ instrumentId: heron.id, part: 'hair', date: '2026-06-09', by: 'workshop' }),
    },
  ]);
  await page.after(({ callOff }) => callOff());
  expect(revokeShare).toHaveBeenCalled();
  expect(jest.mocked(changeCard).mock.calls.at(-1)![1]).toMatchObject({ endedAt: '2026-06-01T20:00:00.000Z' });
});

test('what was done is taken over line by line, on the day it was done; the same line is the same entry', async () => {
  const share = shareOf(done);
  const model = onVisit(share).now;
  const page = runHook(() => useAnswer(model.answers[0]!, model));
  expect(page.now.lines.map(({ words }) => words)).toEqual([
    'Heron: Bow rehaired',
    'Heron: Rehair, by the workshop: €65',
    expect.stringMatching(/^Heron: /),
    'Heron: Rest height, left foot: 29 mm',
  ]);
  await page.after(({ toggle, lines }) => toggle(lines[3]!.key));
  await page.after(({ take }) => take());
  const [events] = jest.mocked(enter).mock.calls[0]!;
  expect(events.map(({ type, occurredAt }) => [type, occurredAt])).toEqual([
    ['rehaired', '2026-05-31T12:00:00.000Z'],
    ['worked-on', '2026-05-31T12:00:00.000Z'],
    ['finding-settled', '2026-05-31T12:00:00.000Z'],
  ]);
  expect(settleAnswer).toHaveBeenCalledWith(share.id, share.answers[0]!.id);
  const again = runHook(() => useAnswer(model.answers[0]!, model));
  expect(again.now.lines[0]!.event.id).toBe(events[0]!.id);
});

test('what is on record already is not taken twice; taken back, it can be taken again under another id', () => {
  const share = shareOf(done);
  const model = onVisit(share).now;
  const first = runHook(() => useAnswer(model.answers[0]!, model)).now.lines[0]!;
  const there = onVisit(share, [first.event as never]).now;
  expect(runHook(() => useAnswer(there.answers[0]!, there)).now.lines[0]).toMatchObject({ taken: true });
  const takenBack = anEvent(heron, 'retracted', TONIGHT, { eventId: first.event.id });
  const gone = onVisit(share, [first.event as never, takenBack]).now;
  const line = runHook(() => useAnswer(gone.answers[0]!, gone)).now.lines[0]!;
  expect(line.taken).toBe(false);
  expect(line.event.id).not.toBe(first.event.id);
});

test('while it is there, that it is back is a line of what was done', () => {
  const stay = anEvent(heron, 'brought-in', TONIGHT - 2 * DAY, { visitId: visit.id, expected: null });
  const model = onVisit(shareOf(done), [stay]).now;
  const { lines } = runHook(() => useAnswer(model.answers[0]!, model)).now;
  expect(lines.at(-1)!.event).toMatchObject({ type: 'fetched-back', payload: { stayId: stay.id } });
});

test('the brief that is written is the last of no visit that is over', () => {
  const stay = anEvent(heron, 'brought-in', TONIGHT - 9 * DAY, { visitId: visit.id, expected: null });
  const back = anEvent(heron, 'fetched-back', TONIGHT - 8 * DAY, { stayId: stay.id });
  openTestHousehold([heron], [stay], [brief, visit]);
  expect(runHook(() => useBriefCard(heron)).now?.id).toBe(brief.id);
  openTestHousehold([heron], [stay, back], [brief, visit]);
  expect(runHook(() => useBriefCard(heron)).now).toBeNull();
});

test('a brief goes into the visit it is in already, with others put to it; else into a new one', async () => {
  openTestHousehold([heron, wren], [], [brief, visit]);
  expect(await openVisitFor([brief.id])).toBe(visit.id);
  expect(changeCard).not.toHaveBeenCalled();
  await openVisitFor([brief.id, 'another']);
  expect(jest.mocked(changeCard).mock.calls[0]![1]).toMatchObject({ briefIds: [brief.id, 'another'] });
  expect(await openVisitFor(['fresh'], '2026-06-09')).toBe('made');
  expect(addCards).toHaveBeenCalledWith(
    [{ kind: 'visit', facts: expect.objectContaining({ date: '2026-06-09' }) }],
    null,
  );
});

test('somebody is written down with several numbers; what is no number is told beside its field', async () => {
  openTestHousehold([heron]);
  const page = runHook(() => useContactSheet(null, () => undefined));
  await page.after(({ change }) => change({ title: 'The quay', phones: '01632 960123\n call me ' }));
  await page.after(({ save }) => save());
  expect(page.now.errors).toEqual({ phones: expect.stringMatching(/digits/) });
  await page.after(({ change }) => change({ phones: '01632 960123\n\n 112 ' }));
  await page.after(({ save }) => save());
  expect(jest.mocked(addCards).mock.calls[0]![0]).toEqual([
    { kind: 'contact', facts: expect.objectContaining({ phones: ['01632 960123', '112'], role: 'workshop' }) },
  ]);
});

test('of a file of contacts those that are chosen come in, as what the file or the player says they are', async () => {
  openTestHousehold([heron]);
  const found = { phones: ['112'], emails: [], address: '', note: '' };
  mockCall.mockResolvedValue({
    contacts: [
      { ...found, title: 'A', role: null },
      { ...found, title: 'B', role: 'teacher' },
      { ...found, title: 'C', role: null },
    ],
    unreadable: [],
    cut: false,
  });
  const page = runHook(() => useContactFile());
  const file = new File(['BEGIN:VCARD'], 'all.vcf');
  const { onChange } = (page.now.input.element as { props: { onChange: (event: object) => void } }).props;
  await page.after(() => onChange({ target: { files: [file], value: '' } }));
  expect(page.now.chosen).toEqual([]);
  await page.after(({ toggle }) => toggle(0));
  await page.after(({ toggle }) => toggle(1));
  await page.after(({ setRole }) => setRole('dealer'));
  await page.after(({ take }) => take());
  const [cards] = jest.mocked(addCards).mock.calls[0]!;
  expect(cards.map((card) => [(card.facts as { title: string }).title, (card.facts as { role: string }).role])).toEqual(
    [
      ['A', 'dealer'],
      ['B', 'teacher'],
    ],
  );
});
