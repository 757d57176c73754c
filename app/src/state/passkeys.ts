import { startAuthentication, startRegistration } from '@simplewebauthn/browser';
import type { Account, Household } from '@tembrin/contract';
import { call } from './api';
import { NotGiven, NotHere } from './passkey-faults';

/** Has the browser answer, or tells that its owner or the device would not. */
async function answered<T>(work: Promise<T>): Promise<T> {
  return work.catch((error: unknown) => {
    throw new NotGiven(String((error as Error).name));
  });
}

const checkHost = (host: string) => {
  if (host !== window.location.hostname) throw new NotHere(host);
};

/** Makes a passkey on this device. @returns the account with it @throws Refused, OutOfReach, NotHere, NotGiven */
export async function makePasskey(password: string, name: string): Promise<Account> {
  const asked = await call('askToMakePasskey', { body: { password } });
  const optionsJSON = asked as unknown as Parameters<typeof startRegistration>[0]['optionsJSON'];
  checkHost(optionsJSON.rp.id ?? '');
  const made = await answered(startRegistration({ optionsJSON }));
  return call('addPasskey', { body: { name, made: made as never } });
}

/** Signs in by a passkey of this device. @throws Refused, OutOfReach, NotHere, NotGiven */
export async function signInWithPasskey(): Promise<Household> {
  const asked = await call('askForPasskey');
  const optionsJSON = asked as unknown as Parameters<typeof startAuthentication>[0]['optionsJSON'];
  checkHost(optionsJSON.rpId ?? '');
  const used = await answered(startAuthentication({ optionsJSON }));
  return call('signInByPasskey', { body: { used: used as never } });
}
