import type {
  BodyInputOf,
  OperationId,
  Operation,
  ParamsOf,
  Problem,
  QueryInputOf,
  ResponseOf,
} from '@tembrin/contract';
import { CALLS } from '@tembrin/contract/calls';
import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract/operations/operation';

/** The server answered with a problem. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** The server could not be reached. */
export class OutOfReach extends Error {
  constructor() {
    super('The server is out of reach. Check the connection and try again.');
  }
}

export interface CallParts<I extends OperationId> {
  params?: ParamsOf<I>;
  query?: QueryInputOf<I>;
  body?: BodyInputOf<I>;
  /** A file, sent as it is. */
  file?: Blob;
  version?: number;
  /** Stops it; then it throws OutOfReach. */
  signal?: AbortSignal;
}

let spokenFor = '1';
/** Says which household is open on this page: the server refuses what is meant for another than is open in this browser. */
export function speakFor(householdId: string | null): void {
  spokenFor = householdId ?? '1';
}

/** Asks the server for one operation. */
async function ask<I extends OperationId>(id: I, parts: CallParts<I>): Promise<Response> {
  const operation: Pick<Operation, 'method' | 'path'> = CALLS[id];
  const path = operation.path.replaceAll(/:(\w+)/g, (_, name: string) =>
    encodeURIComponent(String((parts.params as Record<string, string>)[name])),
  );
  // What is left out stays out: it would be sent as a word.
  const asked = Object.entries(parts.query ?? {}).filter(([, value]) => value !== undefined);
  const query = asked.length > 0 ? `?${new URLSearchParams(asked as [string, string][])}` : '';
  const json = parts.body !== undefined;
  const response = await fetch(API_ROOT + path + query, {
    method: operation.method.toUpperCase(),
    credentials: 'same-origin',
    headers: {
      // Which household is open is what this one asks.
      [REQUEST_HEADER]: id === 'readHousehold' ? '1' : spokenFor,
      ...(json && { 'Content-Type': 'application/json' }),
      // A picture says what it is; any other file is read for what it holds.
      ...(parts.file && { 'Content-Type': parts.file.type === 'image/jpeg' ? parts.file.type : 'text/csv' }),
      ...(parts.version !== undefined && { 'If-Match': `"${parts.version}"` }),
    },
    body: json ? JSON.stringify(parts.body) : parts.file,
    signal: parts.signal,
  }).catch(() => {
    throw new OutOfReach();
  });
  if (!response.ok) throw await refusal(response);
  return response;
}

/**
 * Calls one operation of the API.
 * @throws Refused with the server's problem document, OutOfReach when there is no answer
 */
export async function call<I extends OperationId>(id: I, parts: CallParts<I> = {}): Promise<ResponseOf<I>> {
  const response = await ask(id, parts);
  return (response.status === 204 ? undefined : await response.json()) as ResponseOf<I>;
}

/**
 * What an operation answers with, as a file.
 * @throws Refused or OutOfReach
 */
export async function callForFile<I extends OperationId>(id: I, parts: CallParts<I> = {}): Promise<Blob> {
  return (await ask(id, parts)).blob();
}

async function refusal(response: Response): Promise<Error> {
  const answer: unknown = await response.json().catch(() => null);
  // A gateway's own page, or none: the server itself was not reached.
  return isProblem(answer) ? new Refused(answer) : new OutOfReach();
}

/** Whether an answer is a problem document: looked at by hand, as the library of schemas may be what could not be loaded. */
function isProblem(answer: unknown): answer is Problem {
  const { type, title, status, detail, fields = {} } = (answer ?? {}) as Record<string, unknown>;
  const words = [type, title, detail, ...Object.values(fields ?? '')];
  return Number.isInteger(status) && typeof fields === 'object' && words.every((each) => typeof each === 'string');
}

/** A sentence for whatever went wrong with a call. */
export function sentenceOf(error: unknown): string {
  return error instanceof Refused || error instanceof OutOfReach
    ? error.message
    : 'Something failed on this device. Reload the page; what you entered is kept.';
}
