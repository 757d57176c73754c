import type { Request } from 'express';
import type { Database } from '../database/connect';
import { beginSession, endSession } from '../http/sessions';
import { tellNoMore } from '../store/account/ended';
import { hashed } from '../store/hashed';
import type { Handlers } from '../http/operations';
import type { DemoLibraries } from '../jobs/demo-libraries';
import type { Loop } from '../operating/loop';
import { readiness } from '../operating/ready';
import type { Watch } from '../operating/watch';
import { fail } from '../problems/problems';
import { noMail } from '../store/account/account-scope';
import { confirmAddress } from '../store/account/address';
import { resetPassword } from '../store/account/forgotten';
import type { AccountGround } from '../store/account/ground';
import { addPasskey, askToMake, askToUse, checkPasskey, removePasskey, type Asked } from '../store/account/passkeys';
import { putDown } from '../store/account/record';
import { checkCredentials, createAccount, type Identity } from '../store/accounts';
import { actorFor } from '../store/actor';
import { HouseholdScope } from '../store/scope';

interface AuthGround {
  database: Database;
  accounts: AccountGround;
  demos: DemoLibraries;
  loop: Pick<Loop, 'longestMs'>;
  /** Folders whose room matters. */
  folders: readonly string[];
  watch: Watch;
}

/** Keeps what a browser was asked with until it answers. */
function keepAsked({ session }: Request, what: Asked['what'], challenge: string): void {
  session.asked = { challenge, at: Date.now(), what };
}

/** What a browser was asked with: an answer to it is taken once. */
function takeAsked({ session }: Request): Asked | undefined {
  const { asked } = session;
  delete session.asked;
  return asked;
}

/** Coming in and going out, and the demo library. */
export function authHandlers({ database, accounts, demos, loop, folders, watch }: AuthGround) {
  const open = async (request: Request, identity: Identity, how: 'signed-in' | 'signed-in-passkey') => {
    await beginSession(request, identity);
    watch.happened(identity.accountId ? 'signed in' : 'demo opened');
    if (identity.accountId) await putDown(database, identity.accountId, how, request.session.device);
    return new HouseholdScope(database, identity, await actorFor(database, identity, 'see')).household();
  };
  return {
    health: () => Promise.resolve({ status: 'ok' as const }),
    ready: async () => {
      const found = await readiness(database, loop, folders);
      if (found.status === 'ready') return { ...found, status: 'ready' as const };
      const missing = (['database', 'disk', 'thread'] as const).filter((check) => !found[check]);
      return fail(503, 'not-ready', `Not ready: ${missing.join(', ')}.`);
    },
    createAccount: async ({ request, body }) => open(request, await createAccount(database, body), 'signed-in'),
    signIn: async ({ request, body }) => open(request, await checkCredentials(database, body), 'signed-in'),
    askForPasskey: async ({ request }) => {
      const asked = await askToUse(accounts);
      keepAsked(request, 'use', asked.challenge);
      return { ...asked };
    },
    signInByPasskey: async ({ request, body }) =>
      open(request, await checkPasskey(accounts, takeAsked(request), body), 'signed-in-passkey'),
    forgotPassword: async ({ body }) => {
      if (!accounts.mail) noMail();
      await accounts.queue.add('forgotten', { email: body.email });
      return undefined;
    },
    resetPassword: async ({ body }) => {
      await resetPassword(accounts, body.key, body.password);
      watch.happened('password reset');
      return undefined;
    },
    confirmAddress: ({ body }) => confirmAddress(accounts, body.key),
    openDemo: async ({ request, body }) => open(request, await demos.take(body.timeZone), 'signed-in'),
    signOut: async ({ request }) => {
      const accountId = request.session.identity?.accountId;
      if (accountId) await tellNoMore(database, accountId, hashed(request.sessionID));
      await endSession(request);
      watch.happened('signed out');
      return undefined;
    },
  } satisfies Partial<Handlers>;
}

/** What who is signed in does about the account itself; each answers with how it stands then. */
export function accountHandlers(ground: AccountGround) {
  return {
    readAccount: ({ account }) => account.account(),
    changePassword: async ({ account, body }) => {
      await account.changePassword(body.password, body.next);
      return account.account();
    },
    changeAddress: async ({ account, body }) => {
      await account.changeAddress(body.password, body.email);
      return account.account();
    },
    keepAddress: async ({ account }) => {
      await account.keepAddress();
      return account.account();
    },
    endSignIn: async ({ account, params }) => {
      await account.endSignIn(params.id);
      return account.account();
    },
    endOtherSignIns: async ({ account }) => {
      await account.endOtherSignIns();
      return account.account();
    },
    askToMakePasskey: async ({ account, request, body }) => {
      const asked = await askToMake(ground, await account.shown(body.password));
      keepAsked(request, 'make', asked.challenge);
      return { ...asked };
    },
    addPasskey: async ({ account, request, body }) => {
      await addPasskey(ground, await account.row(), takeAsked(request), body);
      return account.account();
    },
    removePasskey: async ({ account, params }) => {
      await removePasskey(ground, await account.row(), params.id);
      return account.account();
    },
    leaveForGood: async ({ account, body }) => {
      await account.leaveForGood(body.password);
      return account.account();
    },
    stayAfterAll: async ({ account }) => {
      await account.stayAfterAll();
      return account.account();
    },
  } satisfies Partial<Handlers>;
}
