import { CALLS } from '../calls';
import {
  handoverKeySchema,
  handoverListSchema,
  handoverParams,
  handoverSchema,
  newHandoverSchema,
  offerSchema,
} from '../handovers';
import type { Operation } from './operation';

/** An instrument handed over to another household: offered, accepted, and then handed over by the one who offered it. */
export const handoverOperations = {
  readHandovers: { ...CALLS.readHandovers, access: 'household', status: 200, response: handoverListSchema },
  offerInstrument: {
    ...CALLS.offerInstrument,
    access: 'household',
    status: 201,
    body: newHandoverSchema,
    response: handoverSchema,
  },
  withdrawOffer: { ...CALLS.withdrawOffer, access: 'household', status: 204, params: handoverParams },
  completeHandover: {
    ...CALLS.completeHandover,
    access: 'household',
    status: 200,
    params: handoverParams,
    response: handoverSchema,
  },
  lookAtOffer: {
    ...CALLS.lookAtOffer,
    access: 'household',
    status: 200,
    body: handoverKeySchema,
    response: offerSchema,
  },
  takeOffer: {
    ...CALLS.takeOffer,
    access: 'household',
    status: 200,
    body: handoverKeySchema,
    response: offerSchema,
  },
} as const satisfies Record<string, Operation>;
