import type { SaidBow } from '@tembrin/core/bow';
import type { Card } from './cards';

/** What was said of the bows among some cards. */
export const bowsAmong = (cards: readonly Card[]): SaidBow[] =>
  cards.flatMap((card) => (card.kind === 'bow' ? [{ id: card.id, ...card.facts }] : []));
