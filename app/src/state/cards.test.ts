import { standInDevice } from '@/testing/device';
import type { Card, CardFacts } from '@tembrin/contract';
import { addCards, changeCard, leaveCards, openCards, removeCard, useCardStore } from './cards';
import { useNotice } from './notice';

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
const problem = (status: number, detail: string) => ({ type: '/problems/x', title: 'x', status, detail });
const answer = (status: number, body: unknown) =>
  Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(JSON.parse(JSON.stringify(body ?? null))) });

beforeAll(standInDevice);
beforeEach(() => {
  stored = [];
  refusals.length = 0;
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
        return answer(201, { cards: made });
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

test('another household’s cards are never shown', async () => {
  await openCards(home);
  await addCards([facts('Concert')], null);
  stored = 'down';
  await expect(openCards('b')).rejects.toThrow();
  expect(useCardStore.getState()).toMatchObject({ householdId: 'b', cards: null });
});
