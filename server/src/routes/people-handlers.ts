import { beginSession } from '../http/sessions';
import type { Handlers } from '../http/operations';
import type { AccountGround } from '../store/account/ground';
import { openHousehold } from '../store/account/memberships';
import { goOnAs } from '../store/account/ended';
import type { Identity } from '../store/accounts';
import { actorFor } from '../store/actor';
import { acceptInvitation, lookAtInvitation, PeopleScope } from '../store/people';
import { hashed } from '../store/hashed';
import { HouseholdScope } from '../store/scope';
import type { Request } from 'express';

/** The people of a household, how one comes into it, and from one household to another. */
export function peopleHandlers(ground: AccountGround) {
  const { database } = ground;
  const people = (scope: HouseholdScope) => new PeopleScope(ground, scope);
  /** Opens a household in the sign-in that asks, under a fresh id as its rights are others now. */
  const open = async (request: Request, identity: Identity) => {
    const before = hashed(request.sessionID);
    await beginSession(request, identity);
    if (identity.accountId) await goOnAs(database, identity.accountId, before, hashed(request.sessionID));
    return new HouseholdScope(database, identity, await actorFor(database, identity, 'see')).household();
  };
  return {
    addPerson: ({ scope, body }) => people(scope).add(body),
    changePerson: ({ scope, params, version, body }) => people(scope).change(params.id, version, body),
    changeWays: ({ scope, params, version, body }) => people(scope).changeWays(params.id, version, body),
    removePerson: async ({ scope, params, version }) => {
      await people(scope).remove(params.id, version);
      return undefined;
    },
    leaveHousehold: async ({ scope }) => {
      await people(scope).leave();
      return undefined;
    },
    readInvitations: async ({ scope }) => ({ invitations: await people(scope).invitations() }),
    invite: ({ scope, body }) => people(scope).invite(body.personId, body.email),
    revokeInvitation: async ({ scope, params }) => {
      await people(scope).revoke(params.id);
      return undefined;
    },
    lookAtInvitation: ({ body }) => lookAtInvitation(ground, body.key),
    acceptInvitation: async ({ account, request, body }) =>
      open(request, await acceptInvitation(ground, account.id, body.key)),
    openHousehold: async ({ account, request, body }) =>
      open(request, await openHousehold(ground, account.id, body.householdId)),
  } satisfies Partial<Handlers>;
}
