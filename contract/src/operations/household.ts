import { z } from 'zod';
import { eventPostResultSchema, eventPostSchema, logPageSchema, logQuerySchema } from '../events';
import { householdChangeSchema, householdSchema } from '../household';
import { instrumentChangeSchema, instrumentSchema, newInstrumentSchema } from '../instrument';
import type { Operation } from './operation';

const instrumentParams = z.object({ id: z.uuid('That is not an instrument’s id.').toLowerCase() });

/** The household, its instruments and its log. */
export const householdOperations = {
  readHousehold: {
    method: 'get',
    path: '/household',
    access: 'household',
    status: 200,
    response: householdSchema,
  },
  changeHousehold: {
    method: 'put',
    path: '/household',
    access: 'household',
    status: 200,
    body: householdChangeSchema,
    response: householdSchema,
    versioned: true,
  },
  addInstrument: {
    method: 'post',
    path: '/instruments',
    access: 'household',
    status: 201,
    body: newInstrumentSchema,
    response: instrumentSchema,
  },
  changeInstrument: {
    method: 'put',
    path: '/instruments/:id',
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
    access: 'household',
    status: 204,
    params: instrumentParams,
    versioned: true,
  },
  readLog: {
    method: 'get',
    path: '/events',
    access: 'household',
    status: 200,
    query: logQuerySchema,
    response: logPageSchema,
  },
  postEvents: {
    method: 'post',
    path: '/events',
    access: 'household',
    status: 200,
    body: eventPostSchema,
    response: eventPostResultSchema,
  },
} as const satisfies Record<string, Operation>;
