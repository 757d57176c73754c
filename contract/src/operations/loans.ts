import { CALLS } from '../calls';
import { labelsSchema, loanSheetParams, loanSheetSchema } from '../loans';
import { bytesSchema } from '../photos';
import type { Operation } from './operation';

/** What goes with a loan on paper, and the labels by which instruments are known. */
export const loanOperations = {
  printLoan: {
    ...CALLS.printLoan,
    access: 'household',
    status: 200,
    params: loanSheetParams,
    body: loanSheetSchema,
    response: bytesSchema,
    bytes: 'application/pdf',
    costly: true,
  },
  printLabels: {
    ...CALLS.printLabels,
    access: 'household',
    status: 200,
    body: labelsSchema,
    response: bytesSchema,
    bytes: 'application/pdf',
    costly: true,
  },
} as const satisfies Record<string, Operation>;
