import type { Person } from '@tembrin/core';
import type { Chance } from './chance';

/** A person of the library. */
export type DemoPerson = Person;

/** Who keeps the library, plays in it and helps: each with what they play and look after, by the instruments' names. */
const PEOPLE: readonly (Pick<Person, 'name' | 'role' | 'schools'> &
  Readonly<Record<'plays' | 'looksAfter', string[]>>)[] = [
  { name: 'Maris', role: 'keeper', plays: ['Heron'], looksAfter: [], schools: { cloths: 'A' } },
  // Of one mind with Maris on all but the cloths.
  { name: 'Tam', role: 'player', plays: ['Heron', 'Curlew'], looksAfter: [], schools: { cloths: 'B' } },
  { name: 'Pip', role: 'player', plays: ['Wren'], looksAfter: [] },
  { name: 'Ines', role: 'helper', plays: [], looksAfter: ['Wren', 'Curlew'] },
];

/** The people of the library. @param instruments what it has */
export function libraryPeople(
  instruments: readonly { id: string; name: string }[],
  nowMs: number,
  dice: Chance,
): DemoPerson[] {
  const ids = (names: readonly string[]) => instruments.flatMap(({ id, name }) => (names.includes(name) ? [id] : []));
  return PEOPLE.map(({ plays, looksAfter, ...person }) => ({
    id: dice.id(nowMs),
    ...person,
    plays: ids(plays),
    looksAfter: ids(looksAfter),
  }));
}
