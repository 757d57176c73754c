import type { Household, Person } from '@tembrin/contract';
import { mayRecordFor } from '@tembrin/core/people';

/** Persons who are here. */
export const present = ({ people }: Pick<Household, 'people'>) => people.filter(({ goneAt }) => goneAt === null);

/** Who may be said to have done something, by who is signed in: all where nobody is, as in a demo library. */
export function sayable(household: Pick<Household, 'people'>): Person[] {
  const here = present(household);
  const me = here.find((person) => person.me);
  return me ? here.filter((person) => mayRecordFor(me, person)) : here;
}

/** Who it is on this device: whom it was said to be last, else who is signed in. */
export function personAt(household: Pick<Household, 'people'>, said: string | null): Person | null {
  const people = sayable(household);
  return people.find(({ id }) => id === said) ?? people.find(({ me }) => me) ?? null;
}
