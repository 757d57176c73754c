import type { Problem } from '@tembrin/contract';
import type * as z from 'zod';

const TITLES = {
  400: 'The request cannot be read',
  401: 'Not signed in',
  403: 'Not allowed',
  404: 'Not found',
  405: 'Not done here',
  408: 'Too slow',
  409: 'Already there',
  412: 'Changed meanwhile',
  413: 'Too large',
  415: 'Wrong format',
  416: 'No such part',
  422: 'Something needs correcting',
  428: 'Version missing',
  429: 'Too many attempts',
  500: 'The server failed',
  503: 'Out of reach',
} as const;
export type ProblemStatus = keyof typeof TITLES;

/** Said where somebody else was quicker. */
export const CHANGED = 'Somebody changed this meanwhile. Look at it again, then make your change once more.';

/** A problem document; `type` is a stable name for programs, `detail` a sentence for people. */
export function problem(status: ProblemStatus, type: string, detail: string, fields?: Record<string, string>): Problem {
  return { type: `/problems/${type}`, title: TITLES[status], status, detail, ...(fields && { fields }) };
}

/** Thrown anywhere below a route to answer with a problem document. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

export function fail(...args: Parameters<typeof problem>): never {
  throw new ProblemError(problem(...args));
}

/** Schema issues as a problem: the first sentence up front, each sentence beside its field. */
export function invalid(error: z.ZodError): Problem {
  const fields: Record<string, string> = {};
  for (const issue of error.issues) {
    const path = issue.path.map(String).join('.');
    fields[path] ??= sentence(issue);
  }
  const first = error.issues[0];
  const where = first && first.path.length > 0 ? `${first.path.map(String).join('.')}: ` : '';
  return problem(422, 'invalid', first ? where + sentence(first) : 'Check what you entered.', fields);
}

function sentence(issue: z.core.$ZodIssue): string {
  if (issue.code === 'unrecognized_keys') return `Leave out ${issue.keys.join(', ')}: not known here.`;
  return issue.message;
}

/** What is answered where something failed that nobody foresaw. */
export const unforeseen = (): Problem =>
  problem(
    500,
    'unforeseen',
    'Something failed on the server. What you entered is kept on this device; try again in a minute.',
  );
