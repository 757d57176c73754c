import type { Person } from '@tembrin/contract';
import { useAssessmentStore } from '@/state/assessment-store';
import { call } from '@/state/api';
import { refreshHousehold, useHousehold } from '@/state/household';
import { present, sayable } from '@/state/persons';
import { minutesWords } from '@/copy/dates';
import { copy } from '@/copy/screens/people/person';
import { playersOf, playShares } from '@tembrin/core/assess';
import type { Ways } from '@tembrin/core/people';

/** Whether who is here may say how somebody goes about it. */
export function useSayable({ id }: Pick<Person, 'id'>): boolean {
  return useHousehold((state) => sayable(state.household!).some((each) => each.id === id));
}

/** How much somebody plays what, as far as it was said to be them. */
export function usePlayed(person: Person): { id: string; text: string }[] {
  const household = useHousehold((state) => state.household)!;
  const byInstrument = useAssessmentStore((state) => state.byInstrument);
  return household.instruments.flatMap(({ id, name }) => {
    const log = byInstrument[id]?.log;
    if (!log || !person.plays.includes(id)) return [];
    const ids = playersOf(id, present(household)).map((each) => each.id);
    const hours = playShares(log, ids).find(({ personId }) => personId === person.id)?.hours ?? 0;
    return hours * 60 >= 1 ? [{ id, text: copy.played(name, minutesWords(hours * 60)) }] : [];
  });
}

/** Says how somebody goes about it. @throws Refused, OutOfReach */
export async function changeWays({ id }: Pick<Person, 'id'>, ways: Ways): Promise<void> {
  const { version } = useHousehold.getState().household!.people.find((each) => each.id === id)!;
  await call('changeWays', { params: { id }, version, body: ways });
  await refreshHousehold();
}
