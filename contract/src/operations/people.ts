import { householdSchema } from '../household';
import { linkKeySchema } from '../account';
import {
  householdChoiceSchema,
  invitationListSchema,
  invitationSchema,
  invitedSchema,
  newInvitationSchema,
  newPersonSchema,
  personChangeSchema,
  personParams,
  waysSchema,
} from '../people';
import { personSchema } from '../person';
import { CALLS } from '../calls';
import type { Operation } from './operation';

/** The people of a household, and how one comes into it. */
export const peopleOperations = {
  addPerson: { ...CALLS.addPerson, access: 'household', status: 201, body: newPersonSchema, response: personSchema },
  changePerson: {
    ...CALLS.changePerson,
    access: 'household',
    status: 200,
    params: personParams,
    body: personChangeSchema,
    response: personSchema,
    versioned: true,
  },
  changeWays: {
    ...CALLS.changeWays,
    access: 'household',
    status: 200,
    params: personParams,
    body: waysSchema,
    response: personSchema,
    versioned: true,
  },
  removePerson: {
    ...CALLS.removePerson,
    access: 'household',
    status: 204,
    params: personParams,
    versioned: true,
  },
  leaveHousehold: { ...CALLS.leaveHousehold, access: 'household', status: 204 },
  readInvitations: { ...CALLS.readInvitations, access: 'household', status: 200, response: invitationListSchema },
  invite: {
    ...CALLS.invite,
    access: 'household',
    status: 201,
    body: newInvitationSchema,
    response: invitationSchema,
    limited: 'mail',
  },
  revokeInvitation: { ...CALLS.revokeInvitation, access: 'household', status: 204, params: personParams },
  lookAtInvitation: {
    ...CALLS.lookAtInvitation,
    access: 'open',
    status: 200,
    body: linkKeySchema,
    response: invitedSchema,
    limited: 'attempts',
  },
  acceptInvitation: {
    ...CALLS.acceptInvitation,
    access: 'account',
    status: 200,
    body: linkKeySchema,
    response: householdSchema,
  },
  openHousehold: {
    ...CALLS.openHousehold,
    access: 'account',
    status: 200,
    body: householdChoiceSchema,
    response: householdSchema,
  },
} as const satisfies Record<string, Operation>;
