import type { Role } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { PASSWORD, visitor, type household, type TestServer } from './fixtures';

type Party = Pick<Awaited<ReturnType<typeof household>>, 'browser'>;

/** What is said of a person; the rest is usual. */
export interface WantedPerson {
  name?: string;
  role?: Role;
  plays?: string[];
  looksAfter?: string[];
}
/** Adds a person to a household. */
export async function addPerson({ browser }: Party, wanted: WantedPerson = {}) {
  const person = { id: uuid(), name: 'Pip', role: 'player', plays: [], looksAfter: [], ...wanted };
  return (await browser.post('/people', person).expect(201)).body as { id: string; version: number };
}

/** Somebody with an account of their own, signed in. */
export async function somebody(server: TestServer) {
  const browser = visitor(server);
  const email = `${uuid()}@example.org`;
  await browser.post('/accounts', { email, password: PASSWORD, timeZone: 'Europe/Lisbon' }).expect(201);
  return { browser, email };
}

/** The key in the address of an invitation. */
export const keyOf = (path: string) => path.split('#')[1]!;

/** A person of a household who signs in by themselves. */
export async function member(server: TestServer, party: Party, wanted: WantedPerson) {
  const person = await addPerson(party, wanted);
  const invitation = (await party.browser.post('/invitations', { personId: person.id, email: null }).expect(201)).body;
  const { browser, email } = await somebody(server);
  await browser.post('/invitations/accept', { key: keyOf(invitation.path) }).expect(200);
  return { browser, email, person };
}
