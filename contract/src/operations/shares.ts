import { answerParams, newShareSchema, shareListSchema, shareParams, shareSchema } from '../shares';
import { CALLS } from '../calls';
import type { Operation } from './operation';

/** What is sent to a workshop under a link of its own, and what it answers. */
export const shareOperations = {
  readShares: { ...CALLS.readShares, access: 'household', status: 200, response: shareListSchema },
  makeShare: {
    ...CALLS.makeShare,
    access: 'household',
    status: 201,
    body: newShareSchema,
    response: shareSchema,
  },
  revokeShare: { ...CALLS.revokeShare, access: 'household', status: 204, params: shareParams },
  settleAnswer: {
    ...CALLS.settleAnswer,
    access: 'household',
    status: 200,
    params: answerParams,
    response: shareSchema,
  },
} as const satisfies Record<string, Operation>;
