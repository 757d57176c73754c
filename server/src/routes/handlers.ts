import type { Config } from '../config';
import type { Database } from '../database/connect';
import { beginSession, endSession } from '../http/sessions';
import type { Handlers } from '../http/operations';
import type { DemoShelf } from '../jobs/demo-shelf';
import { checkCredentials, createAccount, type Identity } from '../store/accounts';
import { appendEvents } from '../store/append';
import { takeSenml } from '../sensors/senml';
import type { Outside } from '../sensors/simulators';
import { AirScope } from '../store/air/air-scope';
import { Imports, previewOf } from '../store/air/imports';
import { ArchiveScope, bodyText } from '../store/archive';
import { CalendarScope, calendarAt } from '../store/calendar';
import { CardScope } from '../store/cards';
import { importDiary, previewDiary } from '../store/diary';
import { readCalendar } from '../formats/calendar-read';
import { fail } from '../http/problems';
import { HouseholdScope } from '../store/scope';
import type { Request } from 'express';

export type Limits = Pick<Config, 'SIGN_IN_LIMIT' | 'OPENING_LIMIT'>;

/** What each operation does: a few lines over the store. */
export function handlersFor(database: Database, demos: DemoShelf, outside: Outside, secret: string): Handlers {
  const imports = new Imports(database.sequelize);
  const air = (scope: HouseholdScope) => new AirScope(database, scope);
  const cards = (scope: HouseholdScope) => new CardScope(database, scope);
  const calendar = (scope: HouseholdScope) => new CalendarScope(database, scope, secret);
  const archive = (scope: HouseholdScope) => new ArchiveScope(database, scope);
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
    readAir: async ({ scope, query }) => air(scope).air(query.since, await outside.weather()),
    addPlace: ({ scope, body }) => air(scope).addPlace(body),
    changePlace: ({ scope, params, version, body }) => air(scope).changePlace(params.id, version, body),
    removePlace: async ({ scope, params, version }) => {
      await air(scope).removePlace(params.id, version);
      return undefined;
    },
    readYear: ({ scope, params, query }) => air(scope).year(params.id, query.from, query.to),
    readDay: ({ scope, params, query }) => air(scope).day(params.id, query.day),
    addSensor: ({ scope, body }) => air(scope).addSensor(body),
    changeSensor: ({ scope, params, version, body }) => air(scope).changeSensor(params.id, version, body),
    removeSensor: async ({ scope, params, version }) => {
      await air(scope).removeSensor(params.id, version);
      return undefined;
    },
    renewKey: ({ scope, params }) => air(scope).renewKey(params.id),
    revokeKey: async ({ scope, params }) => {
      await air(scope).revokeKey(params.id);
      return undefined;
    },
    postReadings: ({ scope, params, body }) => air(scope).postReadings(params.id, body),
    readReadings: ({ scope, params }) => air(scope).readings(params.id),
    removeReading: async ({ scope, params }) => {
      await air(scope).removeReading(params.id, params.at);
      return undefined;
    },
    addCheck: ({ scope, params, body }) => air(scope).addCheck(params.id, body),
    removeCheck: ({ scope, params }) => air(scope).removeCheck(params.id, params.checkId),
    compareSensors: async ({ scope, params }) => ({ comparison: await air(scope).compare(params.id, params.otherId) }),
    previewImport: async ({ scope, params, body }) => {
      await air(scope).sensorRow(params.id);
      return previewOf(body.text, body.plan, (await scope.row()).timeZone, Date.now());
    },
    importFile: async ({ scope, params, query, request }) => {
      const [{ no }, { timeZone }] = await Promise.all([air(scope).sensorRow(params.id), scope.row()]);
      const size = Number(request.headers['content-length']);
      return imports.run(scope.identity.householdId, params.importId, {
        sensor: no!,
        plan: query.plan,
        timeZone,
        body: request,
        total: Number.isFinite(size) ? size : null,
        nowMs: Date.now(),
      });
    },
    readImport: async ({ scope, params }) => imports.progress(scope.identity.householdId, params.importId),
    cancelImport: async ({ scope, params }) => {
      imports.cancel(scope.identity.householdId, params.importId);
      return undefined;
    },
    postSenml: ({ params, body, request }) => takeSenml(database, params.id, request.headers.authorization, body),
    simulate: async ({ scope, params, body }) => {
      const { key } = await air(scope).renewKey(params.id);
      await outside.simulate({ sensorId: params.id, key, faults: body.faults });
      return undefined;
    },
    readCards: async ({ scope }) => ({ cards: await cards(scope).cards() }),
    addCards: async ({ scope, body }) => ({ cards: await cards(scope).add(body.cards) }),
    changeCard: ({ scope, params, version, body }) => cards(scope).change(params.id, version, body),
    removeCard: async ({ scope, params, version }) => {
      await cards(scope).remove(params.id, version);
      return undefined;
    },
    downloadCalendar: ({ scope }) => calendar(scope).text(false),
    readCalendarAddress: ({ scope }) => calendar(scope).address(),
    renewCalendarAddress: ({ scope }) => calendar(scope).renewAddress(),
    revokeCalendarAddress: async ({ scope }) => {
      await calendar(scope).revokeAddress();
      return undefined;
    },
    calendarFeed: ({ params }) => calendarAt(database, secret, params.key),
    previewCalendar: async ({ scope, body }) => {
      const { timeZone } = await scope.row();
      try {
        return await readCalendar(body.text, timeZone, Date.now());
      } catch (error) {
        return fail(422, 'no-calendar', (error as Error).message);
      }
    },
    previewDiary: ({ scope, body }) => previewDiary(database, scope, body),
    importDiary: ({ scope, body }) => importDiary(database, scope, body),
    exportArchive: ({ scope }) => archive(scope).json(),
    exportLog: ({ scope }) => archive(scope).logCsv(),
    exportSessions: ({ scope }) => archive(scope).sessionsCsv(),
    exportStrings: ({ scope }) => archive(scope).stringsCsv(),
    importArchive: async ({ scope, request }) => archive(scope).bringJson(await bodyText(request)),
    importLog: async ({ scope, request }) => archive(scope).bringLog(await bodyText(request)),
    postEvents: async ({ scope, body }) => ({ outcomes: await appendEvents(database, scope, body.events) }),
  };
}
