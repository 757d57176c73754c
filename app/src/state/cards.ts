import type { Card, CardFacts, CardKind, NewCard } from '@tembrin/contract';
import { useMemo } from 'react';
import { create } from 'zustand';
import { v7 as uuid } from 'uuid';
import { call, Refused, sentenceOf } from './api';
import { openLasting, type CardChange, type DeviceStore, type RefusedCard } from './device-store';
import { isFinal, oneTabAtATime } from './outbox';
import { dismissNotice, notify, notifyProblem } from './notice';

interface CardsState {
  householdId: string | null;
  /** null: not known on this device yet. With what is not sent yet, as it will be. */
  cards: readonly Card[] | null;
  /** Whether all was asked that could know them: this device, and where it does not, the server. */
  asked: boolean;
  /** Changes that are not sent yet. */
  unsent: number;
  /** The server did not answer when they were last sent. */
  held: boolean;
  /** Changes the server would not take, by the keys this device keeps them under. */
  refused: ReadonlyMap<number, RefusedCard>;
}

const EMPTY: CardsState = { householdId: null, cards: null, asked: false, unsent: 0, held: false, refused: new Map() };

/** The household's cards on this device: sets, spares, occasions, prices, appointments. */
export const useCardStore = create<CardsState>()(() => EMPTY);

/** This device's store while a household is open, the cards as the server has them, and what is not sent yet. */
const link: { store: DeviceStore | null; cards: readonly Card[] | null; waiting: readonly CardChange[] } = {
  store: null,
  cards: null,
  waiting: [],
};

/** Cards with others in place of those of their ids. */
function replaced(cards: readonly Card[], fresh: readonly Card[]): readonly Card[] {
  const ids = new Set(fresh.map(({ id }) => id));
  return [...cards.filter(({ id }) => !ids.has(id)), ...fresh];
}

/** Cards with a change that is not sent yet; versions as they will be. */
function changed(cards: readonly Card[], change: CardChange): readonly Card[] {
  if (change.kind === 'remove') return cards.filter(({ id }) => id !== change.card.id);
  if (change.kind === 'add') return replaced(cards, change.cards.map((card) => ({ ...card, version: 1 })) as Card[]);
  const { card, facts } = change;
  return replaced(cards, [{ ...card, facts, version: card.version + 1 } as Card]);
}

/** Shows the server's cards with what waits here. */
async function show(mine: DeviceStore): Promise<void> {
  const work = mine.transaction('cardChanges');
  const [keys, all] = await Promise.all([work.store.getAllKeys(), work.store.getAll()]);
  if (link.store !== mine) return;
  const waiting = all.filter(({ problem }) => !problem);
  link.waiting = waiting;
  useCardStore.setState(({ held }) => ({
    held: held && waiting.length > 0,
    cards: link.cards || waiting.length > 0 ? waiting.reduce(changed, link.cards ?? []) : null,
    unsent: waiting.length,
    refused: new Map(keys.flatMap((key, at) => (all[at]!.problem ? [[key, all[at] as RefusedCard]] : []))),
  }));
}

/** Keeps what the server has. */
async function keep(mine: DeviceStore, cards: readonly Card[]): Promise<void> {
  if (link.store !== mine) return;
  link.cards = cards;
  // No room left: they are asked for again at the next start.
  await mine.put('cards', cards, 'cards').catch(() => undefined);
  await show(mine);
}

/** What was not sent yet is kept anew where the browser has cleared it away. */
async function keepAnew(fresh: DeviceStore, lost: DeviceStore): Promise<void> {
  if (link.store !== lost) return fresh.close();
  link.store = fresh;
  for (const each of link.waiting) await fresh.add('cardChanges', each);
  await sendCards();
}

/** Opens a household's cards: what this device kept first, then what the server has. @throws Refused, OutOfReach, or as a browser that keeps nothing does */
export async function openCards(householdId: string): Promise<void> {
  try {
    await readIn(householdId);
  } finally {
    // What did not come is not on its way any more.
    if (useCardStore.getState().householdId === householdId) useCardStore.setState({ asked: true });
  }
}

async function readIn(householdId: string): Promise<void> {
  if (useCardStore.getState().householdId !== householdId) {
    leaveCards();
    useCardStore.setState({ ...EMPTY, householdId });
    const mine = await openLasting(householdId, keepAnew);
    if (useCardStore.getState().householdId !== householdId) return mine.close();
    link.store = mine;
    link.cards = (await mine.get('cards', 'cards')) ?? null;
    await show(mine);
    if (link.cards) useCardStore.setState({ asked: true });
  }
  await sendCards();
  const mine = link.store;
  const { cards } = await call('readCards');
  if (mine) await keep(mine, cards as Card[]);
}

export function leaveCards(): void {
  link.store?.close();
  link.store = null;
  link.cards = null;
  useCardStore.setState(EMPTY);
}

/** Sends one change. @returns the server's cards after it */
async function sent(change: CardChange): Promise<readonly Card[]> {
  const before = link.cards ?? [];
  if (change.kind === 'add') {
    const { cards } = await call('addCards', { body: { cards: [...change.cards] } });
    return replaced(before, cards as Card[]);
  }
  const { id, kind, version } = change.card;
  const parts = { params: { id }, version };
  if (change.kind === 'remove') {
    await call('removeCard', parts);
    return changed(before, change);
  }
  const body = { kind, facts: change.facts } as CardFacts;
  return replaced(before, [(await call('changeCard', { ...parts, body })) as Card]);
}

/** Sends changes that are not sent yet, oldest first; those that are refused for good are kept apart with the reason. */
export async function sendCards(): Promise<void> {
  const mine = link.store;
  if (mine) await oneTabAtATime('cards', () => sendKept(mine));
}

async function sendKept(mine: DeviceStore): Promise<void> {
  const work = mine.transaction('cardChanges');
  const [keys, all] = await Promise.all([work.store.getAllKeys(), work.store.getAll()]);
  for (const [at, key] of keys.entries()) {
    const { problem, ...change } = all[at]!;
    if (problem) continue;
    if (link.store !== mine) return;
    try {
      const cards = await sent(change);
      await mine.delete('cardChanges', key);
      await keep(mine, cards);
    } catch (error) {
      if (!isFinal(error)) return useCardStore.setState({ held: true });
      // What was said to be done is not.
      dismissNotice();
      await mine.put('cardChanges', { ...change, problem: error.problem }, key);
    }
  }
  // Another tab may have sent what waited here.
  await show(mine);
}

/** How many changes were begun. */
let begun = 0;

/**
 * Puts a change on record: kept on this device, then sent; without an answer it is sent later.
 * @returns whether nothing else was changed meanwhile: the Undo of what was done since is not this one's to take away
 * @throws Refused when the server will not have it; it is then not kept
 */
async function change(wanted: CardChange): Promise<boolean> {
  const mine = link.store;
  if (!mine) throw new Error('No household is open.');
  // What is on the screen is of something before: its Undo is not this one's.
  dismissNotice();
  const turn = ++begun;
  const key = await mine.add('cardChanges', wanted);
  await show(mine);
  await sendCards();
  const refused = useCardStore.getState().refused.get(key);
  if (!refused) return turn === begun;
  // Whoever makes it is told there and then, and has it before their eyes.
  await dropCardChange(key);
  throw new Refused(refused.problem);
}

/** Takes a refused change away for good. */
export async function dropCardChange(key: number): Promise<void> {
  const mine = link.store;
  await mine?.delete('cardChanges', key);
  if (mine) await show(mine);
}

const cardAt = (id: string) => useCardStore.getState().cards?.find((card) => card.id === id);

/** Adds cards, all or none, and offers to take them back. @param done what the player is told; null tells nothing */
export async function addCards(facts: readonly (CardFacts & { id?: string })[], done: string | null): Promise<Card[]> {
  const cards = facts.map((each) => ({ id: uuid(), ...each }) as NewCard);
  const last = await change({ kind: 'add', cards });
  const added = cards.map((card) => cardAt(card.id) ?? ({ ...card, version: 1 } as Card));
  if (done !== null && last) notify(done, () => removeCards(added));
  return added;
}

/** Changes a card, and offers to change it back. */
export async function changeCard(card: Card, facts: Card['facts'], done: string | null): Promise<void> {
  const last = await change({ kind: 'change', card, facts });
  const now = cardAt(card.id);
  if (done !== null && last && now) notify(done, () => changeCard(now, card.facts, null));
}

async function removeCards(cards: readonly Card[]): Promise<void> {
  for (const card of cards) await change({ kind: 'remove', card });
}

/** Removes a card, and offers to put it back; a player is told when it could not be. */
export async function removeCard(card: Card, done: string): Promise<void> {
  const removed = removeCards([card]);
  // It is gone from the screen at once: so is the way back there at once.
  notify(done, async () => {
    await addCards([{ kind: card.kind, facts: card.facts } as CardFacts], null);
  });
  await removed.catch((error: unknown) => notifyProblem(sentenceOf(error)));
}

const NONE: readonly Card[] = [];

/** Cards of one kind, in the order in which they were added; the same list while the cards are. */
export function useCards<K extends CardKind>(kind: K): readonly Card<K>[] {
  const cards = useCardStore((state) => state.cards) ?? NONE;
  return useMemo(() => cards.filter((card): card is Card<K> => card.kind === kind), [cards, kind]);
}

/** What stands on the cards of one kind. */
export function factsOf<K extends CardKind>(cards: readonly Card[] | null, kind: K): Card<K>['facts'][] {
  return (cards ?? NONE).flatMap((card) => (card.kind === kind ? [card.facts as Card<K>['facts']] : []));
}
