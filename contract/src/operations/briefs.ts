import { briefParams, briefQuery } from '../briefs';
import { bytesSchema } from '../photos';
import type { Operation } from './operation';

/** What the workshop is told, as a page. */
export const briefOperations = {
  printBrief: {
    method: 'get',
    path: '/briefs/:id/print',
    access: 'household',
    status: 200,
    params: briefParams,
    query: briefQuery,
    response: bytesSchema,
    bytes: 'application/pdf',
    file: 'tembrin-brief.pdf',
    costly: true,
  },
} as const satisfies Record<string, Operation>;
