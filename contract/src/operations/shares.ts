import { answerParams, newShareSchema, shareListSchema, shareParams, shareSchema } from '../shares';
import type { Operation } from './operation';

/** What is sent to a workshop under a link of its own, and what it answers. */
export const shareOperations = {
  readShares: { method: 'get', path: '/shares', access: 'household', status: 200, response: shareListSchema },
  makeShare: {
    method: 'post',
    path: '/shares',
    access: 'household',
    status: 201,
    body: newShareSchema,
    response: shareSchema,
  },
  revokeShare: { method: 'delete', path: '/shares/:id', access: 'household', status: 204, params: shareParams },
  settleAnswer: {
    method: 'post',
    path: '/shares/:id/answers/:answerId/settle',
    access: 'household',
    status: 200,
    params: answerParams,
    response: shareSchema,
  },
} as const satisfies Record<string, Operation>;
