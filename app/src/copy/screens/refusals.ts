import type { CardKind } from '@tembrin/contract';
import { clockWords, dateWords } from '../dates';
import { humidityWords } from '../measures';

export { entries } from './line-state';

/** What features/Refusals.tsx says. */
export const copy = {
  couldNotBeStored: (entries: string, shown: number) => `${entries} could not be stored. The first ${shown} are shown.`,
  leaveThemAllOut: 'Leave them all out',
  enterItAgain: 'Enter it again',
  leaveItOut: 'Leave it out',
} as const;

export const readingNotStored = ({
  percent,
  at,
  name,
  timeZone,
  why,
}: {
  percent: number;
  at: string;
  name: string | null;
  timeZone: string;
  why: string;
}) => {
  const ms = Date.parse(at);
  const when = `${dateWords(ms, Date.now(), timeZone)}, ${clockWords(ms, timeZone)}`;
  return `Not stored: ${humidityWords(percent / 100, percent % 1 === 0 ? 0 : 1)}${name ? ` on ${name}` : ''}, ${when}. ${why}`;
};

const KINDS: Readonly<Record<CardKind, string>> = {
  set: 'a set of strings',
  spare: 'a packet',
  occasion: 'a date',
  price: 'a price',
  appointment: 'a planned day',
  bow: 'a bow',
  brief: 'a brief',
  visit: 'a visit',
  contact: 'a contact',
  identity: 'what it is told by',
  loan: 'a loan',
};

/** What became of a card: added, changed or removed. */
export const cardNotStored = (
  change:
    | { kind: 'add'; cards: readonly { kind: CardKind; facts: object }[] }
    | { kind: 'change' | 'remove'; card: { kind: CardKind; facts: object } },
  why: string,
) => {
  const card = change.kind === 'add' ? change.cards[0]! : change.card;
  const { title } = card.facts as { title?: string };
  const done = { add: 'new', change: 'changed', remove: 'removed' }[change.kind];
  return `Not stored: ${title ? `“${title}”` : KINDS[card.kind]}, ${done}. ${why}`;
};
