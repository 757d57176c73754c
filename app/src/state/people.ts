import type { Person } from '@tembrin/contract';
import { mayDo, type Deed } from '@tembrin/core/people';
import { useHousehold } from './household';
import { personAt, sayable } from './persons';
import { usePreferences } from './preferences';

/** Whether who is signed in does something in this household. */
export function useMay(deed: Deed): boolean {
  return useHousehold((state) => state.household !== null && mayDo(state.household.role, deed));
}

/** Those of an instrument who may be at the stand: who plays it, who is signed in, and who was said to be there. */
export function usePlayersOf(instrumentId: string): { players: Person[]; current: Person | null } {
  const household = useHousehold((state) => state.household)!;
  const said = usePreferences((state) => state.personId);
  const current = personAt(household, said);
  const players = sayable(household).filter(
    (person) => person.plays.includes(instrumentId) || person.me || person.id === current?.id,
  );
  return { players, current };
}

/** Who did something, by their id, where there are several; null: nobody said, or there is nobody else. */
export function useNamesOfDoers(): (by: string | undefined) => string | null {
  const people = useHousehold((state) => state.household!.people);
  return (by) => (people.length < 2 || by === undefined ? null : (people.find(({ id }) => id === by)?.name ?? null));
}
