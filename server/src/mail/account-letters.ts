import { MINUTE_MS } from '@tembrin/core';
import type { Letter } from './letter';

/** A reset link is good for so long, one that confirms an address for so long. */
export const RESET_MS = 30 * MINUTE_MS;
export const CONFIRM_MS = 24 * 60 * MINUTE_MS;

/** What is told about an account by mail. `at` in ms; `href` where a link leads. */
export interface AccountNews {
  reset: { href: string };
  'confirm-new': { href: string; from: string };
  'confirm-old': { href: string; to: string };
  'address-changed': { to: string; at: number };
  'password-changed': { at: number };
  /** `passkeys`: how many went with the old password. */
  'password-reset': { at: number; passkeys: number };
  'passkey-added': { name: string; at: number };
  'passkey-removed': { name: string; at: number };
  leaving: { goesAt: number; taking: readonly string[] };
  staying: { at: number };
  gone: { taking: readonly string[] };
  /** Somebody is invited to a household. `until`: ms. */
  invited: { href: string; household: string; person: string; until: number };
}

interface Ground {
  timeZone: string;
  /** Where the account is looked after. */
  account: string;
  /** Where a forgotten password is replaced. */
  forgotten: string;
}

/** A moment as it is read on a clock there. */
const moment = (at: number, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short', timeZone }).format(at);

/** What goes with an account: the households nobody else keeps. */
const withIt = (taking: readonly string[]) =>
  taking.length === 0 ? '' : `, and with it ${taking.join(', ')}: instruments, log, readings and photographs`;

const account = ({ account: href }: Ground) => ({ title: 'Look after the account', href });
/** What to do where it was somebody else. */
const notYou = ({ forgotten: href }: Ground) =>
  [
    'If that was not you, replace the password now. Every device is then signed out, and all passkeys are removed.',
    { title: 'Replace the password', href },
  ] as const;

/** The letters about an account, each by what is told. */
const LETTERS: { readonly [K in keyof AccountNews]: (news: AccountNews[K], ground: Ground) => Letter } = {
  reset: ({ href }) => ({
    subject: 'Choose a new password',
    parts: [
      'Somebody, most likely you, said that the password of this account is forgotten. With this link you choose another. It is good for 30 minutes and for one time.',
      { title: 'Choose a new password', href },
      'If it was not you, leave it be: nothing has changed.',
    ],
  }),
  'confirm-new': ({ href, from }) => ({
    subject: 'Confirm your new address',
    parts: [
      `The Tembrin account of ${from} is to have this address. It changes once both addresses are confirmed, within 24 hours.`,
      { title: 'Confirm this address', href },
      'If you know nothing of it, leave it be.',
    ],
  }),
  'confirm-old': ({ href, to }, ground) => ({
    subject: 'Confirm the change of your address',
    parts: [
      `Your Tembrin account is to have the address ${to} instead of this one. It changes once both addresses are confirmed, within 24 hours.`,
      { title: 'Confirm the change', href },
      ...notYou(ground),
    ],
  }),
  'address-changed': ({ to, at }, ground) => ({
    subject: 'Your address was changed',
    parts: [
      `Since ${moment(at, ground.timeZone)} your Tembrin account has the address ${to}. Letters go there from now on, and you sign in with it.`,
    ],
  }),
  'password-changed': ({ at }, ground) => ({
    subject: 'Your password was changed',
    parts: [
      `The password was changed on ${moment(at, ground.timeZone)}. All other devices were signed out.`,
      ...notYou(ground),
    ],
  }),
  'password-reset': ({ at, passkeys }, ground) => ({
    subject: 'Your password was replaced',
    parts: [
      `A new password was chosen with the link we sent, on ${moment(at, ground.timeZone)}. All devices were signed out; sign in with the new one.`,
      ...(passkeys > 0 ? ['All passkeys were removed too. Sign in with the password, then add yours again.'] : []),
      ...notYou(ground),
    ],
  }),
  'passkey-added': ({ name, at }, ground) => ({
    subject: 'A passkey was added',
    parts: [
      `The passkey “${name}” was added on ${moment(at, ground.timeZone)}. With it one signs in without the password.`,
      account(ground),
      ...notYou(ground),
    ],
  }),
  'passkey-removed': ({ name, at }, ground) => ({
    subject: 'A passkey was removed',
    parts: [
      `The passkey “${name}” was removed on ${moment(at, ground.timeZone)} and signs nobody in any more. What your device keeps of it you can delete there.`,
      account(ground),
    ],
  }),
  leaving: ({ goesAt, taking }, ground) => ({
    subject: 'Your account will be removed',
    parts: [
      `On ${moment(goesAt, ground.timeZone)} your account goes${withIt(taking)}. Until then it can be taken back, and a household’s file can be saved.`,
      { title: 'Take it back, or download the file', href: ground.account },
    ],
  }),
  staying: ({ at }, ground) => ({
    subject: 'Your account stays',
    parts: [`The removal was taken back on ${moment(at, ground.timeZone)}. Nothing was lost.`],
  }),
  gone: ({ taking }) => ({
    subject: 'Your account was removed',
    parts: [`Your account was removed as you asked${withIt(taking)}. This is the last letter to this address.`],
  }),
  invited: ({ href, household, person, until }, { timeZone }) => ({
    subject: `Come and look after the instruments of ${household}`,
    parts: [
      `You are invited to ${household} on Tembrin, which keeps string instruments playable. You will be ${person} there. The invitation is good until ${moment(until, timeZone)}.`,
      { title: 'See the invitation', href },
      'If you know nothing of it, leave it be.',
    ],
  }),
};

/** The letter that tells some news of an account. */
export function accountLetter<K extends keyof AccountNews>(kind: K, news: AccountNews[K], ground: Ground): Letter {
  return (LETTERS[kind] as (news: AccountNews[K], ground: Ground) => Letter)(news, ground);
}
