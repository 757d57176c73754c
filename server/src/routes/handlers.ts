import type { Config } from '../config';
import type { Database } from '../database/connect';
import { beginSession, endSession } from '../http/sessions';
import type { Handlers } from '../http/operations';
import type { DemoShelf } from '../jobs/demo-shelf';
import { checkCredentials, createAccount, type Identity } from '../store/accounts';
import { appendEvents } from '../store/append';
import { HouseholdScope } from '../store/scope';
import type { Request } from 'express';

export type Limits = Pick<Config, 'SIGN_IN_LIMIT' | 'OPENING_LIMIT'>;

/** What each operation does: a few lines over the store. */
export function handlersFor(database: Database, demos: DemoShelf): Handlers {
  const open = async (request: Request, identity: Identity) => {
    await beginSession(request, identity);
    return new HouseholdScope(database, identity).household();
  };
  return {
    health: async () => {
      await database.sequelize.authenticate();
      return { status: 'ok' };
    },
    createAccount: async ({ request, body }) => open(request, await createAccount(database, body)),
    signIn: async ({ request, body }) => open(request, await checkCredentials(database, body)),
    openDemo: async ({ request, body }) => open(request, await demos.take(body.timeZone)),
    signOut: async ({ request }) => {
      await endSession(request);
      return undefined;
    },
    readHousehold: ({ scope }) => scope.household(),
    changeHousehold: ({ scope, version, body }) => scope.changeHousehold(version, body),
    addInstrument: ({ scope, body }) => scope.addInstrument(body),
    changeInstrument: ({ scope, params, version, body }) => scope.changeInstrument(params.id, version, body),
    removeInstrument: async ({ scope, params, version }) => {
      await scope.removeInstrument(params.id, version);
      return undefined;
    },
    readLog: ({ scope, query }) => scope.logPage(query.after, query.instrumentId),
    postEvents: async ({ scope, body }) => ({ outcomes: await appendEvents(database, scope, body.events) }),
  };
}
