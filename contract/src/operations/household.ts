import * as z from 'zod';
import { eventPostResultSchema, eventPostSchema, logPageSchema, logQuerySchema } from '../events';
import { householdChangeSchema, householdSchema } from '../household';
import { instrumentChangeSchema, instrumentSchema, newInstrumentSchema } from '../instrument';
import { CALLS } from '../calls';
import type { Operation } from './operation';

const instrumentParams = z.object({ id: z.uuid('That is not an instrument’s id.').toLowerCase() });

/** The household, its instruments and its log. */
export const householdOperations = {
  readHousehold: {
    ...CALLS.readHousehold,
    access: 'household',
    status: 200,
    response: householdSchema,
  },
  changeHousehold: {
    ...CALLS.changeHousehold,
    access: 'household',
    status: 200,
    body: householdChangeSchema,
    response: householdSchema,
    versioned: true,
  },
  addInstrument: {
    ...CALLS.addInstrument,
    access: 'household',
    status: 201,
    body: newInstrumentSchema,
    response: instrumentSchema,
  },
  changeInstrument: {
    ...CALLS.changeInstrument,
    access: 'household',
    status: 200,
    params: instrumentParams,
    body: instrumentChangeSchema,
    response: instrumentSchema,
    versioned: true,
  },
  removeInstrument: {
    ...CALLS.removeInstrument,
    access: 'household',
    status: 204,
    params: instrumentParams,
    versioned: true,
  },
  readLog: {
    ...CALLS.readLog,
    access: 'household',
    status: 200,
    query: logQuerySchema,
    response: logPageSchema,
  },
  postEvents: {
    ...CALLS.postEvents,
    access: 'household',
    status: 200,
    body: eventPostSchema,
    response: eventPostResultSchema,
  },
} as const satisfies Record<string, Operation>;
