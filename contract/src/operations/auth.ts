import * as z from 'zod';
import {
  credentialsSchema,
  demoRequestSchema,
  forgottenSchema,
  linkKeySchema,
  linkOutcomeSchema,
  newAccountSchema,
  passkeyAskSchema,
  passwordResetSchema,
  usedPasskeySchema,
} from '../account';
import { householdSchema } from '../household';
import { CALLS } from '../calls';
import type { Operation } from './operation';

/** Coming in and going out. */
export const authOperations = {
  health: {
    ...CALLS.health,
    access: 'open',
    status: 200,
    response: z.object({ status: z.literal('ok') }),
  },
  ready: {
    ...CALLS.ready,
    access: 'open',
    status: 200,
    response: z.looseObject({ status: z.literal('ready') }),
  },
  createAccount: {
    ...CALLS.createAccount,
    access: 'open',
    status: 201,
    body: newAccountSchema,
    response: householdSchema,
    limited: 'attempts',
    showsWho: true,
  },
  signIn: {
    ...CALLS.signIn,
    access: 'open',
    status: 200,
    body: credentialsSchema,
    response: householdSchema,
    limited: 'attempts',
    showsWho: true,
  },
  openDemo: {
    ...CALLS.openDemo,
    access: 'open',
    status: 201,
    body: demoRequestSchema,
    response: householdSchema,
    limited: 'attempts',
  },
  signOut: { ...CALLS.signOut, access: 'open', status: 204 },
  askForPasskey: {
    ...CALLS.askForPasskey,
    access: 'open',
    status: 200,
    response: passkeyAskSchema,
    limited: 'attempts',
  },
  signInByPasskey: {
    ...CALLS.signInByPasskey,
    access: 'open',
    status: 200,
    body: usedPasskeySchema,
    response: householdSchema,
    limited: 'attempts',
  },
  forgotPassword: {
    ...CALLS.forgotPassword,
    access: 'open',
    status: 204,
    body: forgottenSchema,
    limited: 'mail',
  },
  resetPassword: {
    ...CALLS.resetPassword,
    access: 'open',
    status: 204,
    body: passwordResetSchema,
    limited: 'attempts',
  },
  confirmAddress: {
    ...CALLS.confirmAddress,
    access: 'open',
    status: 200,
    body: linkKeySchema,
    response: linkOutcomeSchema,
    limited: 'attempts',
  },
} as const satisfies Record<string, Operation>;
