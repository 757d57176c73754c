import { z } from 'zod';
import { credentialsSchema, demoRequestSchema, newAccountSchema } from './account';
import { eventPostResultSchema, eventPostSchema, logPageSchema, logQuerySchema } from './events';
import { householdChangeSchema, householdSchema } from './household';
import { instrumentChangeSchema, instrumentSchema, newInstrumentSchema } from './instrument';

export const API_ROOT = '/api/v1';
/** Every request that changes something carries this header; a page of another origin cannot set it. */
export const REQUEST_HEADER = 'x-tembrin';

export interface Operation {
  method: 'get' | 'post' | 'put' | 'delete';
  /** Path under the API root; `:name` marks a parameter. */
  path: string;
  summary: string;
  /** open: anyone; household: the signed-in household only. */
  access: 'open' | 'household';
  /** Answered with this status when it goes well; 204 has no body. */
  status: 200 | 201 | 204;
  params?: z.ZodType;
  query?: z.ZodType;
  body?: z.ZodType;
  response?: z.ZodType;
  /** Takes `If-Match` with the version last seen; 412 when somebody else was quicker. */
  versioned?: boolean;
  /** Guarded by the limit on sign-in attempts. */
  limited?: boolean;
}

const instrumentParams = z.object({ id: z.uuid('That is not an instrument’s id.').toLowerCase() });

/** Every operation of the API. The server binds a handler to each, the app calls them, and the API description is made from them. */
export const operations = {
  health: {
    method: 'get',
    path: '/health',
    summary: 'Whether the server and its database answer.',
    access: 'open',
    status: 200,
    response: z.object({ status: z.literal('ok') }),
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
  readHousehold: {
    method: 'get',
    path: '/household',
    summary: 'The household and its instruments.',
    access: 'household',
    status: 200,
    response: householdSchema,
  },
  changeHousehold: {
    method: 'put',
    path: '/household',
    summary: 'Change the household’s name, time zone or schools.',
    access: 'household',
    status: 200,
    body: householdChangeSchema,
    response: householdSchema,
    versioned: true,
  },
  addInstrument: {
    method: 'post',
    path: '/instruments',
    summary: 'Add an instrument; posting the same id again changes nothing.',
    access: 'household',
    status: 201,
    body: newInstrumentSchema,
    response: instrumentSchema,
  },
  changeInstrument: {
    method: 'put',
    path: '/instruments/:id',
    summary: 'Change an instrument’s facts.',
    access: 'household',
    status: 200,
    params: instrumentParams,
    body: instrumentChangeSchema,
    response: instrumentSchema,
    versioned: true,
  },
  removeInstrument: {
    method: 'delete',
    path: '/instruments/:id',
    summary: 'Remove an instrument and its log.',
    access: 'household',
    status: 204,
    params: instrumentParams,
    versioned: true,
  },
  readLog: {
    method: 'get',
    path: '/events',
    summary: 'The log, oldest first, page by page.',
    access: 'household',
    status: 200,
    query: logQuerySchema,
    response: logPageSchema,
  },
  postEvents: {
    method: 'post',
    path: '/events',
    summary: 'Add events to the log. Each is judged by itself; posting one twice is harmless.',
    access: 'household',
    status: 200,
    body: eventPostSchema,
    response: eventPostResultSchema,
  },
} as const satisfies Record<string, Operation>;

export type Operations = typeof operations;
export type OperationId = keyof Operations;

type Schema<O, K extends string, Side extends 'input' | 'output'> =
  O extends Record<K, infer S extends z.ZodType> ? (Side extends 'input' ? z.input<S> : z.output<S>) : undefined;

/** What a caller sends and gets, and what a handler receives, for each operation. */
export type ParamsOf<I extends OperationId> = Schema<Operations[I], 'params', 'output'>;
export type QueryOf<I extends OperationId> = Schema<Operations[I], 'query', 'output'>;
export type QueryInputOf<I extends OperationId> = Schema<Operations[I], 'query', 'input'>;
export type BodyOf<I extends OperationId> = Schema<Operations[I], 'body', 'output'>;
export type BodyInputOf<I extends OperationId> = Schema<Operations[I], 'body', 'input'>;
export type ResponseOf<I extends OperationId> = Schema<Operations[I], 'response', 'output'>;
