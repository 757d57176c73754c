import {
  API_ROOT,
  DEED_OF,
  REQUEST_HEADER,
  operations,
  type BodyOf,
  type HouseholdOperationId,
  type Operation,
  type OperationId,
  type ParamsOf,
  type QueryOf,
  type ResponseOf,
} from '@tembrin/contract';
import type { Deed } from '@tembrin/core';
import { pipeline } from 'node:stream/promises';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import type * as z from 'zod';
import type { Database } from '../database/connect';
import { AccountScope } from '../store/account/account-scope';
import type { AccountGround } from '../store/account/ground';
import { actorFor } from '../store/actor';
import { hashed } from '../store/hashed';
import { HouseholdScope } from '../store/scope';
import { fail, invalid, ProblemError } from '../problems/problems';

/** What a handler is given: everything checked already. */
export interface Call<I extends OperationId> {
  params: ParamsOf<I>;
  query: QueryOf<I>;
  body: BodyOf<I>;
  /** Version from `If-Match`, for versioned operations. */
  version: number;
  request: Request;
  scope: (typeof operations)[I]['access'] extends 'household' ? HouseholdScope : undefined;
  account: (typeof operations)[I]['access'] extends 'account' ? AccountScope : undefined;
}

export type Handlers = { [I in OperationId]: (call: Call<I>) => Promise<ResponseOf<I>> };

export interface RouterOptions {
  handlers: Handlers;
  database: Database;
  accounts: AccountGround;
  /** Limits on how often an operation is asked for. */
  limits: (operation: Operation) => RequestHandler[];
  /** Measures how long an operation takes. */
  measured: (operation: string) => RequestHandler;
  /** Check answers against the contract too; for tests. */
  checkResponses: boolean;
}

/** Binds every operation of the contract to its handler. There are no other routes under the API root. */
export function operationsRouter({
  handlers,
  database,
  accounts,
  limits,
  measured,
  checkResponses,
}: RouterOptions): Router {
  const router = Router();
  for (const [id, operation] of Object.entries(operations) as [OperationId, Operation][]) {
    const handle = handlers[id] as (call: unknown) => Promise<unknown>;
    const answer = async (request: Request, response: Response) => {
      if (!operation.body && !operation.stream) refuseBody(request);
      const scope =
        operation.access === 'household'
          ? await scopeOf(request, database, DEED_OF[id as HouseholdOperationId])
          : undefined;
      const call = {
        params: checked(operation.params, request.params),
        query: checked(operation.query, request.query),
        body: operation.body && checked(operation.body, bodyOf(request)),
        version: operation.versioned ? versionOf(request) : 0,
        request,
        scope,
        account: operation.access === 'account' ? accountOf(request, accounts) : undefined,
      };
      const result = await handle(call);
      if (operation.status === 204) return void response.status(204).end();
      if (checkResponses) operation.response?.parse(result);
      if (operation.bytes) return sendBytes(response, operation, result as Bytes);
      if (operation.text) {
        response.status(operation.status);
        response.type(
          ['charset=utf-8', operation.textParameters].reduce<string>(
            (type, each) => (each ? `${type}; ${each}` : type),
            operation.text,
          ),
        );
        if (operation.file) response.setHeader('Content-Disposition', `attachment; filename="${operation.file}"`);
        return void response.send(result as string);
      }
      const version = (result as { version?: number }).version;
      if (version !== undefined) response.setHeader('ETag', `"${version}"`);
      response.status(operation.status).json(result);
    };
    router[operation.method](`${API_ROOT}${operation.path}`, measured(id), ...limits(operation), answer);
  }
  for (const [path, methods] of methodsByPath()) {
    router.all(API_ROOT + path, (_request, response) => {
      response.setHeader('Allow', methods.join(', '));
      fail(405, 'no-such-method', `At this address there is only ${methods.join(', ')}.`);
    });
  }
  return router;
}

type Bytes = Uint8Array | AsyncIterable<Uint8Array>;

/** Answers with a picture, or with a file as it is made. */
async function sendBytes(response: Response, { bytes, file, status }: Operation, result: Bytes): Promise<void> {
  response.status(status).type(bytes!);
  if (file) response.setHeader('Content-Disposition', `attachment; filename="${file}"`);
  if (result instanceof Uint8Array) return void response.send(Buffer.from(result));
  // Who goes away, or a part that cannot be read: the connection ends before the file does, so that nobody takes it for whole.
  await pipeline(result, response).catch(() => response.destroy());
}

/** What may be done at each address of the API. */
function methodsByPath(): Map<string, string[]> {
  const methods = new Map<string, string[]>();
  for (const { method, path } of Object.values(operations) as Operation[]) {
    const own = method === 'get' ? ['GET', 'HEAD'] : [method.toUpperCase()];
    methods.set(path, [...(methods.get(path) ?? []), ...own]);
  }
  return methods;
}

/** The body of a request, where it is of a kind that is read. @throws ProblemError 415 */
function bodyOf(request: Request): unknown {
  if (
    request.body === undefined &&
    request.headers['content-type'] !== undefined &&
    Number(request.headers['content-length']) > 0
  )
    fail(415, 'wrong-format', 'Send JSON, with Content-Type: application/json.');
  return request.body;
}

/** What an operation does not ask for is not looked at in silence. @throws ProblemError 400 */
function refuseBody({ body }: Request): void {
  if (body === undefined || Object.keys(body as object).length === 0) return;
  fail(400, 'no-body', 'This address takes no body. Send the request without one.');
}

async function scopeOf({ session, headers }: Request, database: Database, deed: Deed): Promise<HouseholdScope> {
  if (!session.identity) {
    fail(
      401,
      'signed-out',
      'You are not signed in, or it has been too long. Sign in again; what is on this device is kept.',
    );
  }
  const { identity } = session;
  // A page that has one household open sends which: another was opened meanwhile, in another tab of the same browser.
  const meant = headers[REQUEST_HEADER];
  if (typeof meant === 'string' && meant.length === 36 && meant !== identity.householdId)
    fail(401, 'another-household', 'Another household was opened in this browser. Reload the page to go on with it.');
  return new HouseholdScope(database, identity, await actorFor(database, identity, deed, session.member));
}

/** The account that somebody is signed in to. @throws ProblemError 401, 403 for a visitor to a demo library */
function accountOf({ session, sessionID }: Request, accounts: AccountGround): AccountScope {
  if (!session.identity) fail(401, 'signed-out', 'You are not signed in, or it has been too long. Sign in again.');
  const { accountId } = session.identity;
  if (accountId === null) fail(403, 'no-account', 'The demo library has no account. Start your own to have one.');
  return new AccountScope(accounts, accountId, hashed(sessionID), session.identity.householdId);
}

function checked(schema: z.ZodType | undefined, value: unknown): unknown {
  if (!schema) return undefined;
  const result = schema.safeParse(value);
  if (!result.success) throw new ProblemError(invalid(result.error));
  return result.data;
}

function versionOf({ headers }: Request): number {
  const match = /^"(\d+)"$/.exec(headers['if-match'] ?? '');
  if (!match) fail(428, 'version-missing', 'Say which version you saw with If-Match, like If-Match: "3".');
  return Number(match[1]);
}
