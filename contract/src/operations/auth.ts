import { z } from 'zod';
import { credentialsSchema, demoRequestSchema, newAccountSchema } from '../account';
import { householdSchema } from '../household';
import type { Operation } from './operation';

/** Coming in and going out. */
export const authOperations = {
  health: {
    method: 'get',
    path: '/health',
    access: 'open',
    status: 200,
    response: z.object({ status: z.literal('ok') }),
  },
  ready: {
    method: 'get',
    path: '/ready',
    access: 'open',
    status: 200,
    response: z.looseObject({ status: z.literal('ready') }),
  },
  createAccount: {
    method: 'post',
    path: '/accounts',
    access: 'open',
    status: 201,
    body: newAccountSchema,
    response: householdSchema,
    limited: true,
  },
  signIn: {
    method: 'post',
    path: '/sign-in',
    access: 'open',
    status: 200,
    body: credentialsSchema,
    response: householdSchema,
    limited: true,
  },
  openDemo: {
    method: 'post',
    path: '/demo',
    access: 'open',
    status: 201,
    body: demoRequestSchema,
    response: householdSchema,
    limited: true,
  },
  signOut: { method: 'post', path: '/sign-out', access: 'open', status: 204 },
} as const satisfies Record<string, Operation>;
