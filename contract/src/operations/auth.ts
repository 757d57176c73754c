import { z } from 'zod';
import { credentialsSchema, demoRequestSchema, newAccountSchema } from '../account';
import { householdSchema } from '../household';
import type { Operation } from './operation';

/** Coming in and going out. */
export const authOperations = {
  health: {
    method: 'get',
    path: '/health',
    summary: 'Whether the server is alive.',
    access: 'open',
    status: 200,
    response: z.object({ status: z.literal('ok') }),
  },
  ready: {
    method: 'get',
    path: '/ready',
    summary: 'Whether the server can do its work; 503 where it cannot.',
    access: 'open',
    status: 200,
    response: z.looseObject({ status: z.literal('ready') }),
  },
  createAccount: {
    method: 'post',
    path: '/accounts',
    summary: 'Make an account with a household of its own, and sign in.',
    access: 'open',
    status: 201,
    body: newAccountSchema,
    response: householdSchema,
    limited: true,
  },
  signIn: {
    method: 'post',
    path: '/sign-in',
    summary: 'Sign in.',
    access: 'open',
    status: 200,
    body: credentialsSchema,
    response: householdSchema,
    limited: true,
  },
  openDemo: {
    method: 'post',
    path: '/demo',
    summary: 'Open a copy of the demo library.',
    access: 'open',
    status: 201,
    body: demoRequestSchema,
    response: householdSchema,
    limited: true,
  },
  signOut: { method: 'post', path: '/sign-out', summary: 'Sign out.', access: 'open', status: 204 },
} as const satisfies Record<string, Operation>;
