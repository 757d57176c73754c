import type { Invitation, Person } from '@tembrin/contract';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { call } from '@/state/api';
import { goTo, refreshHousehold, signOut, useHousehold } from '@/state/household';
import { notify } from '@/state/notice';
import { useMay } from '@/state/people';
import { fullDateWords } from '@/copy/dates';
import { copy } from '@/copy/screens/people/people';
import { copy as personCopy } from '@/copy/screens/people/person';
import type { PersonFacts } from '@tembrin/core/people';
import { linkOut } from '../visits/link-out';
import { useAsking } from '../asking';
import { useKnownAccount } from '../account/use-account-page';

/** Names of instruments by their ids, as far as they are seen. */
export function useInstrumentNames() {
  const instruments = useHousehold((state) => state.household!.instruments);
  return (ids: readonly string[]) => instruments.flatMap(({ id, name }) => (ids.includes(id) ? [name] : []));
}

/** Invitations that were not accepted yet; null: not known, or not one's to know. */
export function useInvitations() {
  const may = useMay('people');
  const [invitations, setInvitations] = useState<readonly Invitation[] | null>(null);
  const read = async () => setInvitations((await call('readInvitations')).invitations);
  useEffect(() => {
    if (may) read().catch(() => undefined);
  }, [may]);
  return { invitations, read };
}

/** The people of the household, the households one belongs to, and leaving this one. */
export function usePeoplePage() {
  const { people, timeZone, demo } = useHousehold((state) => state.household)!;
  const account = useKnownAccount();
  const { invitations } = useInvitations();
  const { busy, ask } = useAsking();
  const [leaving, setLeaving] = useState(false);
  return {
    present: people.filter(({ goneAt }) => goneAt === null),
    gone: people.filter(({ goneAt }) => goneAt !== null),
    invited: new Set(invitations?.map(({ personId }) => personId)),
    households: account?.households ?? [],
    mayArrange: useMay('people'),
    demo,
    busy,
    onDay: (instant: string) => fullDateWords(timeZone)(Date.parse(instant)),
    open: (householdId: string) =>
      void ask(async () => {
        await goTo(await call('openHousehold', { body: { householdId } }));
        router.replace('/now');
      }),
    leaving,
    leave: () =>
      leaving
        ? void ask(async () => {
            await call('leaveHousehold');
            await signOut();
            router.replace('/sign-in');
            notify(copy.left);
          })
        : setLeaving(true),
  };
}

/** Whether somebody who signs in stops keeping the household, and so loses its keys. @param next their role then; null: they are removed */
export const lostKeys = (person: Person, next: Person['role'] | null): boolean =>
  person.role === 'keeper' && person.account && next !== 'keeper';

/** Keeping what was said of a person, or adding one. @param person null: one that is added */
export function keepPerson(person: Person | null, facts: PersonFacts): Promise<Person> {
  return person
    ? call('changePerson', { params: { id: person.id }, version: person.version, body: facts })
    : call('addPerson', { body: { id: uuid(), ...facts } });
}

/** Inviting a person to sign in by themselves, and taking them out. */
export function useInviting(person: Person) {
  const { timeZone } = useHousehold((state) => state.household)!;
  const { invitations, read } = useInvitations();
  const { busy, ask } = useAsking();
  const [removing, setRemoving] = useState(false);
  const invitation = invitations?.find(({ personId }) => personId === person.id) ?? null;
  const url = invitation && new URL(invitation.path, window.location.origin).href;
  return {
    invitation,
    until: invitation && fullDateWords(timeZone)(Date.parse(invitation.until)),
    ...linkOut(url, ask, personCopy.copied),
    busy,
    /** @throws Refused, OutOfReach */
    invite: async (email: string | null) => {
      await call('invite', { body: { personId: person.id, email } });
      await read();
    },
    makeLink: () =>
      void ask(async () => {
        await call('invite', { body: { personId: person.id, email: null } });
        await read();
      }),
    takeBack: () =>
      void ask(async () => {
        await call('revokeInvitation', { params: { id: invitation!.id } });
        await read();
        notify(personCopy.takenBack);
      }),
    removing,
    remove: () =>
      removing
        ? void ask(async () => {
            await call('removePerson', { params: { id: person.id }, version: person.version });
            await refreshHousehold();
            router.replace('/kit/people');
            notify(lostKeys(person, null) ? personCopy.keysClosed(person.name) : personCopy.removed(person.name));
          })
        : setRemoving(true),
  };
}
