import type * as z from 'zod';
import { accountOperations } from './account';
import { airOperations } from './air';
import { authOperations } from './auth';
import { briefOperations } from './briefs';
import { contactOperations } from './contacts';
import { handoverOperations } from './handovers';
import { householdOperations } from './household';
import { loanOperations } from './loans';
import { noticeOperations } from './notices';
import { peopleOperations } from './people';
import { photoOperations } from './photos';
import { shareOperations } from './shares';
import { yearOperations } from './year';

export * from './operation';

/** Every operation of the API. The server binds a handler to each, the app calls them, and the API description is made from them. */
export const operations = {
  ...authOperations,
  ...accountOperations,
  ...householdOperations,
  ...airOperations,
  ...yearOperations,
  ...peopleOperations,
  ...photoOperations,
  ...briefOperations,
  ...shareOperations,
  ...contactOperations,
  ...handoverOperations,
  ...loanOperations,
  ...noticeOperations,
};

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
