import type { AccountDeed } from '@tembrin/contract';
import { listWords } from '../../lists';

/** What the pages of the account say. */
export const copy = {
  addressDead: 'Mail to this address comes back. Change it, or a forgotten password cannot be replaced.',
  changing: (email: string) => `It is to be ${email}.`,
  stillAsked: (atOld: boolean, atNew: boolean) =>
    atOld
      ? 'Confirmed here; the link in the mail to the new address is still to be followed.'
      : atNew
        ? 'Confirmed at the new address; the link in the mail to this one is still to be followed.'
        : 'Both addresses have mail with a link; follow both within a day.',
  keepThis: 'Keep this address',
  keptThis: 'The address stays as it is.',
  changeAddress: 'Change the address',
  changeAddressText: 'Where letters go, and what you sign in with.',
  changePassword: 'Change the password',
  changePasswordText: 'Every other device is signed out then.',
  passkeys: 'Passkeys',
  passkeysText: 'Sign in with what unlocks this device, without typing anything.',
  passkeysAt: (host: string) =>
    `Passkeys hold for a name, and this page is open under another address. Open Tembrin at ${host} to add one.`,
  addPasskey: 'Add a passkey',
  passkeyRow: (added: string, used: string | null) =>
    used === null ? `Added on ${added}, not used yet` : `Added on ${added}, last used on ${used}`,
  remove: 'Remove',
  removePasskey: (name: string) => `Remove ${name}`,
  removed: 'The passkey signs nobody in any more.',
  signIns: 'Signed in',
  here: 'Here',
  unknownDevice: 'A device that does not say what it is',
  signInRow: (since: string, seen: string) => `Since ${since}, last used ${seen}`,
  endOne: 'Sign out there',
  endOneLabel: (device: string) => `Sign out there: ${device}`,
  endOthers: 'Sign out everywhere else',
  endedThere: 'Signed out there.',
  endedOthers: 'Signed out everywhere else.',
  record: 'What was done',
  wholeRecord: 'Show all of it',
  leave: 'Leave for good',
  leaveText: 'The account is removed after seven days.',
  goes: (when: string, taking: readonly string[]) =>
    `On ${when} this account is removed${taking.length > 0 ? `, and with it ${listWords(taking)}` : ''}.`,
  stay: 'Take it back',
  stays: 'The account stays.',
  unknown: 'Without a connection nothing is known of the account.',
} as const;

/** What was done to an account, in words. */
export const DEEDS: Readonly<Record<AccountDeed, string>> = {
  made: 'Account made',
  'signed-in': 'Signed in',
  'signed-in-passkey': 'Signed in by passkey',
  'sign-in-refused': 'Wrong password tried',
  'signed-out-elsewhere': 'Signed out elsewhere',
  'password-changed': 'Password changed',
  'reset-asked': 'Password said to be forgotten',
  'password-reset': 'Password replaced by a link',
  'address-asked': 'Another address asked for',
  'address-changed': 'Address changed',
  'passkey-added': 'Passkey added',
  'passkey-removed': 'Passkey removed',
  'leave-asked': 'Removal asked for',
  'leave-taken-back': 'Removal taken back',
};
