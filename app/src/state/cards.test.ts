import { standInDevice } from '@/testing/device';
import type { Card, CardFacts } from '@tembrin/contract';
import {
  addCards,
  changeCard,
  dropCardChange,
  leaveCards,
  openCards,
  removeCard,
  sendCards,
  useCardStore,
} from './cards';
import { notify, useNotice } from './notice';

const facts = (title: string): CardFacts => ({
  kind: 'occasion',
  facts: {
    title,
    kind: 'performance',
    instrumentId: null,
    spans: [{ from: '2026-06-01', to: '2026-06-01' }],
    source: null,
  },
});

/** What the server has; 'down' when it does not answer. */
let stored: Card[] | 'down';
let households = 0;
let home: string;
const refusals: number[] = [];
/** What is added is answered when this comes to be. */
let answered: Promise<void>;
const problem = (status: number, detail: string) => ({ type: '/problems/x', title: 'x', status, detail });
const answer = (status: number, body: unknown) =>
  Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(JSON.parse(JSON.stringify(body ?? null))) });

beforeAll(standInDevice);
beforeEach(() => {
  stored = [];
  refusals.length = 0;
  answered = Promise.resolve();
  home = `household-${++households}`;
  useNotice.setState({ notice: null });
  global.fetch = ((url: string, init?: RequestInit) => {
    if (stored === 'down') return Promise.reject(new TypeError('no network'));
    const refused = refusals.shift();
    if (refused) return answer(refused, problem(refused, 'Somebody changed this meanwhile.'));
    const id = url.split('/').pop()!;
    const body = init?.body ? JSON.parse(init.body as string) : null;
    switch (init?.method) {
      case 'POST': {
        const made = body.cards.map((card: Card) => ({ ...card, version: 1 }));
        stored.push(...made);
        return answered.then(() => answer(201, { cards: made }));
      }
      case 'PUT': {
        const at = stored.findIndex((card) => card.id === id);
        stored[at] = { ...body, id, version: stored[at]!.version + 1 };
        return answer(200, stored[at]);
      }
      case 'DELETE':
        stored = stored.filter((card) => card.id !== id);
        return answer(204, null);
      default:
        return answer(200, { cards: stored });
    }
  }) as unknown as typeof fetch;
});
afterEach(leaveCards);

const titles = () => (useCardStore.getState().cards ?? []).map((card) => (card.facts as { title: string }).title);
const undo = async () => useNotice.getState().notice?.undo?.();

test('cards are added as one, and the undo takes all of them back', async () => {
  await openCards(home);
  await addCards([facts('Concert'), facts('Exam')], 'Two are on record.');
  expect(titles()).toEqual(['Concert', 'Exam']);
  expect(useNotice.getState().notice).toMatchObject({ text: 'Two are on record.' });
  await undo();
  expect(titles()).toEqual([]);
  expect(stored).toEqual([]);
});

test('a change can be changed back, a removal put back', async () => {
  await openCards(home);
  const [card] = await addCards([facts('Concert')], null);
  await changeCard(card!, facts('Recital').facts, 'Changed.');
  expect(titles()).toEqual(['Recital']);
  await undo();
  expect(titles()).toEqual(['Concert']);
  await removeCard(useCardStore.getState().cards![0]!, 'Removed.');
  expect(titles()).toEqual([]);
  await undo();
  expect(titles()).toEqual(['Concert']);
});

test('what is answered late does not take away the undo of what was done since', async () => {
  await openCards(home);
  let now = () => {};
  answered = new Promise((resolve) => (now = resolve));
  const adding = addCards([facts('Concert')], 'One is on record.');
  while (titles().length === 0) await new Promise((resolve) => setTimeout(resolve));
  const removing = removeCard(useCardStore.getState().cards![0]!, 'It is gone.');
  now();
  await Promise.all([adding, removing]);
  expect(titles()).toEqual([]);
  expect(useNotice.getState().notice).toMatchObject({ text: 'It is gone.' });
  await undo();
  expect(titles()).toEqual(['Concert']);
  expect(stored).toHaveLength(1);
});

test('what the server refuses changes nothing here, and is told', async () => {
  await openCards(home);
  await addCards([facts('Concert')], null);
  refusals.push(412);
  await removeCard(useCardStore.getState().cards![0]!, 'Removed.');
  expect(titles()).toEqual(['Concert']);
  expect(useNotice.getState().notice).toMatchObject({ problem: true, text: 'Somebody changed this meanwhile.' });
  refusals.push(422);
  await expect(addCards([facts('Exam')], 'x')).rejects.toThrow('Somebody changed');
  expect(titles()).toEqual(['Concert']);
});

test('without a connection what this device kept is there', async () => {
  await openCards(home);
  await addCards([facts('Concert')], null);
  leaveCards();
  stored = 'down';
  await expect(openCards(home)).rejects.toThrow(/out of reach/);
  expect(titles()).toEqual(['Concert']);
});

describe('without a connection', () => {
  const offline = async () => {
    await openCards(home);
    const [card] = await addCards([facts('Concert')], null);
    const server = stored as Card[];
    stored = 'down';
    return { card: card!, back: () => (stored = server) };
  };

  test('what is added, changed and removed shows at once, survives a reload, and is sent when it can be', async () => {
    const { card, back } = await offline();
    const [exam] = await addCards([facts('Exam')], 'On record.');
    expect(useNotice.getState().notice).toMatchObject({ text: 'On record.' });
    await changeCard(card, facts('Recital').facts, null);
    await changeCard(
      useCardStore.getState().cards!.find(({ id }) => id === card.id)!,
      facts('Gala').facts,
      null,
    );
    await removeCard(exam!, 'Removed.');
    expect(titles()).toEqual(['Gala']);
    expect(useCardStore.getState()).toMatchObject({ unsent: 4, held: true });
    leaveCards();
    await expect(openCards(home)).rejects.toThrow(/out of reach/);
    expect(titles()).toEqual(['Gala']);
    back();
    await sendCards();
    expect(useCardStore.getState()).toMatchObject({ unsent: 0, held: false });
    expect(stored).toMatchObject([{ id: card.id, version: 3, facts: { title: 'Gala' } }]);
    expect(titles()).toEqual(['Gala']);
  });

  test('the way back from a removal is there as soon as it shows, and never one from before', async () => {
    await openCards(home);
    const [card] = await addCards([facts('Concert')], 'Put on record.');
    const before = useNotice.getState().notice;
    const removing = removeCard(card!, 'Concert removed.');
    expect(useNotice.getState().notice).toMatchObject({ text: 'Concert removed.' });
    await removing;
    expect(useCardStore.getState().cards).toEqual([]);
    expect(useNotice.getState().notice).not.toBe(before);
    await useNotice.getState().notice!.undo!();
    expect(useCardStore.getState().cards).toMatchObject([{ facts: card!.facts }]);
  });

  test('what is refused later is kept with its reason, and the rest goes on', async () => {
    const { card, back } = await offline();
    await changeCard(card, facts('Recital').facts, null);
    await addCards([facts('Exam')], null);
    back();
    notify('The date is changed.');
    refusals.push(412);
    await sendCards();
    expect(useNotice.getState().notice).toBeNull();
    const { refused, unsent } = useCardStore.getState();
    expect([refused.size, unsent]).toEqual([1, 0]);
    expect([...refused.values()][0]!.problem.detail).toBe('Somebody changed this meanwhile.');
    expect(titles()).toEqual(['Concert', 'Exam']);
    await dropCardChange([...refused.keys()][0]!);
    expect(useCardStore.getState().refused.size).toBe(0);
  });

  test.each([429, 503])('an answer of %i is none that is final', async (status) => {
    await openCards(home);
    refusals.push(status);
    await addCards([facts('Concert')], null);
    expect([titles(), useCardStore.getState().unsent]).toEqual([['Concert'], 1]);
    await sendCards();
    expect([stored.length, useCardStore.getState().unsent]).toEqual([1, 0]);
  });
});

test('another household’s cards are never shown', async () => {
  await openCards(home);
  await addCards([facts('Concert')], null);
  stored = 'down';
  await expect(openCards('b')).rejects.toThrow();
  expect(useCardStore.getState()).toMatchObject({ householdId: 'b', cards: null });
});
