import { instrumentsOf, type Person } from '../people';
import { NOTICE_DATA, type KnownConcern } from './kinds';

/** Whether it is theirs to hold in hands: they play it, or look after it for somebody. */
const holds = (person: Person, instrumentId: string) => instrumentsOf(person).has(instrumentId);

function isFor(person: Person, concern: KnownConcern, listeners: readonly Person[]): boolean {
  const { instrumentId, kind } = concern;
  if (concern.kind === 'ending') return concern.facts.personId === person.id;
  const keeper = person.role === 'keeper';
  // What only a workshop does is arranged by those who keep it.
  const to = concern.kind === 'due' && concern.facts.who === 'workshop' ? 'keepers' : NOTICE_DATA[kind].to;
  if (to === 'keepers') return keeper;
  if (holds(person, instrumentId)) return true;
  if (!keeper) return false;
  return to === 'both' || !listeners.some((each) => holds(each, instrumentId));
}

/**
 * What of all there is to tell is for one person [handbook 13]: what hands do for who plays or looks after it, what is arranged for
 * who keeps it; what nobody else would hear of, for the keepers.
 * @param listeners everybody of the household who can be told anything: those who sign in
 */
export function concernsFor(
  person: Person,
  concerns: readonly KnownConcern[],
  listeners: readonly Person[],
): KnownConcern[] {
  return concerns.filter((concern) => isFor(person, concern, listeners));
}
