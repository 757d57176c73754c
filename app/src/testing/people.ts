import type { Person } from '@tembrin/contract';
import { newId } from './household';

/** A person of a household as they are seen. */
export function aPerson(name: string, role: Person['role'], more: Partial<Person> = {}): Person {
  return {
    ...{ id: newId(), name, role, plays: [], looksAfter: [], account: false, me: false, goneAt: null, version: 1 },
    ...more,
  };
}
