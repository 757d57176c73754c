import { cardListSchema, type Card, type CardFacts, type CardKind, type NewCard } from '@tembrin/contract';
import { create } from 'zustand';
import { v7 as uuid } from 'uuid';
import { call, sentenceOf } from './api';
import { notify, notifyProblem } from './notice';

interface CardsState {
  householdId: string | null;
  /** null: not known on this device yet. */
  cards: readonly Card[] | null;
}

const EMPTY: CardsState = { householdId: null, cards: null };
const keptAs = (householdId: string) => `tembrin-cards-${householdId}`;

/** The household's cards on this device: sets, spares, occasions, prices, appointments. */
export const useCardStore = create<CardsState>()(() => EMPTY);

function keep(householdId: string, cards: readonly Card[]): void {
  if (useCardStore.getState().householdId !== householdId) return;
  useCardStore.setState({ cards });
  try {
    localStorage.setItem(keptAs(householdId), JSON.stringify({ cards }));
  } catch {
    // No room left: they are asked for again at the next start.
    localStorage.removeItem(keptAs(householdId));
  }
}

/** Opens a household's cards: what this device kept first, then what the server has. */
export async function openCards(householdId: string): Promise<void> {
  if (useCardStore.getState().householdId !== householdId) {
    let kept: readonly Card[] | null = null;
    try {
      kept = cardListSchema.parse(JSON.parse(localStorage.getItem(keptAs(householdId)) ?? 'null')).cards as Card[];
    } catch {
      // Nothing kept, or kept by another version of the app: the server is asked.
    }
    useCardStore.setState({ householdId, cards: kept });
  }
  const { cards } = await call('readCards');
  keep(householdId, cards as Card[]);
}

export function leaveCards(): void {
  const { householdId } = useCardStore.getState();
  if (householdId) localStorage.removeItem(keptAs(householdId));
  useCardStore.setState(EMPTY);
}

function put(fresh: readonly Card[], gone: readonly string[] = []): void {
  const { householdId, cards } = useCardStore.getState();
  if (!householdId) return;
  const out = new Set([...fresh.map(({ id }) => id), ...gone]);
  keep(householdId, [...(cards ?? []).filter(({ id }) => !out.has(id)), ...fresh]);
}

/** Adds cards, all or none, and offers to take them back. @param done what the player is told; null tells nothing */
export async function addCards(facts: readonly CardFacts[], done: string | null): Promise<Card[]> {
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

const sorted = new WeakMap<readonly Card[], Map<CardKind, readonly Card[]>>();
const NONE: readonly Card[] = [];

/** Cards of one kind, in the order in which they were added; the same list while the cards are. */
export function useCards<K extends CardKind>(kind: K): readonly Card<K>[] {
  const cards = useCardStore((state) => state.cards) ?? NONE;
  let kinds = sorted.get(cards);
  if (!kinds) sorted.set(cards, (kinds = new Map()));
  let own = kinds.get(kind);
  if (!own) kinds.set(kind, (own = cards.filter((card) => card.kind === kind)));
  return own as readonly Card<K>[];
}
