import { briefParams, briefQuery } from '../briefs';
import { passportParams, passportPrintSchema } from '../passports';
import { bytesSchema } from '../photos';
import { CALLS } from '../calls';
import type { Operation } from './operation';

/** What the workshop is told, and the life of an instrument, as pages. */
export const briefOperations = {
  printBrief: {
    ...CALLS.printBrief,
    access: 'household',
    status: 200,
    params: briefParams,
    query: briefQuery,
    response: bytesSchema,
    bytes: 'application/pdf',
    costly: true,
  },
  /** The life of an instrument as the app composed it, on paper. */
  printPassport: {
    ...CALLS.printPassport,
    access: 'household',
    status: 200,
    params: passportParams,
    body: passportPrintSchema,
    response: bytesSchema,
    bytes: 'application/pdf',
    costly: true,
  },
} as const satisfies Record<string, Operation>;
