import type { Loan } from '@tembrin/core/lending';
import type { Card } from './cards';

/** The loans among some cards, with their ids. */
export const loansAmong = (cards: readonly Card[]): (Loan & { id: string })[] =>
  cards.flatMap((card) => (card.kind === 'loan' ? [{ ...card.facts, id: card.id }] : []));
