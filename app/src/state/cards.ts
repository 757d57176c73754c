import type { Card, CardFacts, CardKind, NewCard } from '@tembrin/contract';
import { useMemo } from 'react';
import { create } from 'zustand';
import { v7 as uuid } from 'uuid';
import { call, sentenceOf } from './api';
import { openDeviceStore, type DeviceStore } from './device-store';
import { notify, notifyProblem } from './notice';

interface CardsState {
  householdId: string | null;
  /** null: not known on this device yet. */
  cards: readonly Card[] | null;
}

const EMPTY: CardsState = { householdId: null, cards: null };

/** The household's cards on this device: sets, spares, occasions, prices, appointments. */
export const useCardStore = create<CardsState>()(() => EMPTY);

/** This device's store, while a household is open. */
const link: { store: DeviceStore | null } = { store: null };

async function keep(householdId: string, cards: readonly Card[]): Promise<void> {
  if (useCardStore.getState().householdId !== householdId) return;
  useCardStore.setState({ cards });
  // No room left: they are asked for again at the next start.
  await link.store?.put('cards', cards, 'cards').catch(() => undefined);
}

/** Opens a household's cards: what this device kept first, then what the server has. */
export async function openCards(householdId: string): Promise<void> {
  if (useCardStore.getState().householdId !== householdId) {
    leaveCards();
    useCardStore.setState({ householdId, cards: null });
    const mine = await openDeviceStore(householdId);
    if (useCardStore.getState().householdId !== householdId) return mine.close();
    link.store = mine;
    const cards = await mine.get('cards', 'cards');
    if (link.store === mine && cards) useCardStore.setState({ cards });
  }
  const { cards } = await call('readCards');
  await keep(householdId, cards as Card[]);
}

export function leaveCards(): void {
  link.store?.close();
  link.store = null;
  useCardStore.setState(EMPTY);
}

function put(fresh: readonly Card[], gone: readonly string[] = []): void {
  const { householdId, cards } = useCardStore.getState();
  if (!householdId) return;
  const out = new Set([...fresh.map(({ id }) => id), ...gone]);
  void keep(householdId, [...(cards ?? []).filter(({ id }) => !out.has(id)), ...fresh]);
}

/** Adds cards, all or none, and offers to take them back. @param done what the player is told; null tells nothing */
export async function addCards(facts: readonly (CardFacts & { id?: string })[], done: string | null): Promise<Card[]> {
  const wanted = facts.map((each) => ({ id: uuid(), ...each }) as NewCard);
  const { cards } = await call('addCards', { body: { cards: wanted } });
  put(cards as Card[]);
  if (done !== null) notify(done, () => removeCards(cards as Card[]));
  return cards as Card[];
}

/** Changes a card, and offers to change it back. */
export async function changeCard(card: Card, facts: Card['facts'], done: string | null): Promise<void> {
  const body = { kind: card.kind, facts } as CardFacts;
  const changed = (await call('changeCard', { params: { id: card.id }, version: card.version, body })) as Card;
  put([changed]);
  if (done !== null) notify(done, () => changeCard(changed, card.facts, null));
}

async function removeCards(cards: readonly Card[]): Promise<void> {
  for (const { id, version } of cards) {
    await call('removeCard', { params: { id }, version });
    put([], [id]);
  }
}

/** Removes a card, and offers to put it back; a player is told when it could not be. */
export async function removeCard(card: Card, done: string): Promise<void> {
  try {
    await removeCards([card]);
  } catch (error) {
    return notifyProblem(sentenceOf(error));
  }
  notify(done, async () => {
    await addCards([{ kind: card.kind, facts: card.facts } as CardFacts], null);
  });
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
