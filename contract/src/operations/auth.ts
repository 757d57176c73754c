import { z } from 'zod';
import { credentialsSchema, demoRequestSchema, newAccountSchema } from '../account';
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
    limited: true,
  },
  signIn: {
    ...CALLS.signIn,
    access: 'open',
    status: 200,
    body: credentialsSchema,
    response: householdSchema,
    limited: true,
  },
  openDemo: {
    ...CALLS.openDemo,
    access: 'open',
    status: 201,
    body: demoRequestSchema,
    response: householdSchema,
    limited: true,
  },
  signOut: { ...CALLS.signOut, access: 'open', status: 204 },
} as const satisfies Record<string, Operation>;
