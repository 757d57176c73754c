import { CONTACTS_BYTES, DIARY_BYTES, FILE_BYTES, PHOTO_BYTES, PHOTO_FILE_BYTES } from '@tembrin/contract';
import type { Database } from '../database/connect';
import type { Handlers } from '../http/operations';
import type { DemoLibraries } from '../jobs/demo-libraries';
import type { AccountGround } from '../store/account/ground';
import { appendEvents } from '../store/append';
import { takeSenml } from '../sensors/senml';
import type { Outside } from '../sensors/simulators';
import { contactsText } from '../formats/contacts-write';
import { IntakeJobs, type Upload } from '../intake/jobs';
import { AirScope } from '../store/air/air-scope';
import { ReadingScope } from '../store/air/hand-readings';
import { fileTop } from '../intake/preview';
import { outcomeApart } from '../reading/apart';
import { importReadings } from '../store/air/import-readings';
import { PlaceScope } from '../store/air/places';
import { SaltCheckScope } from '../store/air/salt-checks';
import { SensorScope } from '../store/air/sensors';
import { spooled } from '../intake/spool';
import { ARCHIVE_BYTES, ArchiveScope } from '../store/archive';
import { TableScope } from '../store/archive-tables';
import { BriefScope } from '../store/briefs';
import { CalendarScope, calendarAt } from '../store/calendar';
import { CardScope } from '../store/cards';
import { photosIn, photosOut } from '../store/photo-archive';
import { printLabels } from '../store/labels';
import { printPassport } from '../store/passports';
import { PhotoScope } from '../store/photos';
import { importDiary, previewDiary } from '../store/diary';
import { HandoverScope } from '../store/handovers';
import { type HouseholdScope } from '../store/scope';
import { ShareScope } from '../store/shares';
import type { Storage } from '../photos/storage';
import { sweepPhotos } from '../photos/sweep';
import type { Loop } from '../operating/loop';
import type { Watch } from '../operating/watch';
import type { Request } from 'express';
import { accountHandlers, authHandlers } from './account-handlers';
import { peopleHandlers } from './people-handlers';
import { reminderHandlers } from './reminder-handlers';
import type { RemindersGround } from '../store/notices/reminders';

/** A file as it comes with a request. */
function upload(request: Request, { delimiter, skip }: Pick<Upload, 'delimiter' | 'skip'>, mostBytes: number): Upload {
  const size = Number(request.headers['content-length']);
  const gone = () => request.socket.destroyed;
  return { body: request, total: Number.isFinite(size) ? size : null, mostBytes, delimiter, skip, gone };
}

interface Ground {
  database: Database;
  accounts: AccountGround;
  reminders: RemindersGround;
  demos: DemoLibraries;
  outside: Outside;
  secret: string;
  imports: IntakeJobs;
  /** Where photographs are kept; null where they are not. */
  storage: Storage | null;
  loop: Pick<Loop, 'longestMs'>;
  /** Folders whose room matters. */
  folders: readonly string[];
  watch: Watch;
}

/** What each operation does: a few lines over the store. */
export function handlersFor(parts: Omit<Ground, 'imports'>): Handlers {
  const ground: Ground = { ...parts, imports: new IntakeJobs(parts.database) };
  return {
    ...authHandlers(ground),
    ...accountHandlers(ground.accounts),
    ...peopleHandlers(ground.accounts),
    ...reminderHandlers(ground.reminders),
    ...householdHandlers(ground),
    ...placeHandlers(ground),
    ...sensorHandlers(ground),
    ...cardHandlers(ground),
    ...calendarHandlers(ground),
    ...archiveHandlers(ground),
    ...photoHandlers(ground),
    ...briefHandlers(ground),
    ...shareHandlers(ground),
    ...handoverHandlers(ground),
  };
}

/** The household, its instruments and their log. */
function householdHandlers({ database, storage }: Ground) {
  return {
    readHousehold: ({ scope }) => scope.household(),
    changeHousehold: ({ scope, version, body }) => scope.changeHousehold(version, body),
    addInstrument: ({ scope, body }) => scope.addInstrument(body),
    changeInstrument: ({ scope, params, version, body }) => scope.changeInstrument(params.id, version, body),
    removeInstrument: async ({ scope, params, version }) => {
      await scope.removeInstrument(params.id, version);
      // Its photographs went with it; their pictures go now, or soon.
      await sweepPhotos(database, storage).catch(() => undefined);
      return undefined;
    },
    readLog: ({ scope, query }) => scope.logPage(query.after, query.instrumentId),
    postEvents: async ({ scope, body }) => ({ outcomes: await appendEvents(database, scope, body.events) }),
  } satisfies Partial<Handlers>;
}

/** Places and the air in them. */
function placeHandlers({ database, outside }: Ground) {
  const air = (scope: HouseholdScope) => new AirScope(database, scope);
  const places = (scope: HouseholdScope) => new PlaceScope(database, scope);
  return {
    readAir: async ({ scope, query }) => air(scope).air(query.since, await outside.weather()),
    addPlace: ({ scope, body }) => places(scope).add(body),
    changePlace: ({ scope, params, version, body }) => places(scope).change(params.id, version, body),
    removePlace: async ({ scope, params, version }) => {
      await places(scope).remove(params.id, version);
      return undefined;
    },
    readYear: ({ scope, params, query }) => air(scope).year(params.id, query.from, query.to),
    readDay: ({ scope, params, query }) => air(scope).day(params.id, query.day),
  } satisfies Partial<Handlers>;
}

/** Hygrometers: their keys, readings, files and checks. */
function sensorHandlers({ database, outside, imports }: Ground) {
  const air = (scope: HouseholdScope) => new AirScope(database, scope);
  const sensors = (scope: HouseholdScope) => new SensorScope(database, scope);
  const checks = (scope: HouseholdScope) => new SaltCheckScope(database, scope);
  const readings = (scope: HouseholdScope) => new ReadingScope(database, scope);
  return {
    addSensor: ({ scope, body }) => sensors(scope).add(body),
    changeSensor: ({ scope, params, version, body }) => sensors(scope).change(params.id, version, body),
    removeSensor: async ({ scope, params, version }) => {
      await sensors(scope).remove(params.id, version);
      return undefined;
    },
    renewKey: ({ scope, params }) => sensors(scope).renewKey(params.id),
    revokeKey: async ({ scope, params }) => {
      await sensors(scope).revokeKey(params.id);
      return undefined;
    },
    postReadings: ({ scope, params, body }) => readings(scope).post(params.id, body),
    readReadings: ({ scope, params }) => readings(scope).newest(params.id),
    removeReading: async ({ scope, params }) => {
      await readings(scope).remove(params.id, params.atS);
      return undefined;
    },
    addCheck: ({ scope, params, body }) => checks(scope).add(params.id, body),
    removeCheck: ({ scope, params }) => checks(scope).remove(params.id, params.checkId),
    compareSensors: async ({ scope, params }) => ({ comparison: await air(scope).compare(params.id, params.otherId) }),
    previewImport: async ({ scope, params, query, request }) => {
      await sensors(scope).row(params.id);
      const { timeZone } = await scope.row();
      const file = await fileTop(request, query);
      return outcomeApart('loggerPreview', { file, plan: query.plan, timeZone, nowMs: Date.now() });
    },
    importFile: async ({ scope, params, query: { plan }, request }) => {
      const [{ no }, { timeZone }] = await Promise.all([sensors(scope).row(params.id), scope.row()]);
      const job = { sensor: no!, plan, timeZone, nowMs: Date.now() };
      return imports.run(scope.identity.householdId, params.importId, upload(request, plan, FILE_BYTES), (file) =>
        importReadings(database, job, file),
      );
    },
    readImport: ({ scope, params }) => imports.progress(scope.identity.householdId, params.importId),
    cancelImport: async ({ scope, params }) => {
      await imports.cancel(scope.identity.householdId, params.importId);
      return undefined;
    },
    postSenml: ({ params, body, request }) => takeSenml(database, params.id, request.headers.authorization, body),
    simulate: async ({ scope, params, body }) => {
      const { key } = await sensors(scope).renewKey(params.id);
      await outside.simulate({ sensorId: params.id, key, faults: body.faults });
      return undefined;
    },
  } satisfies Partial<Handlers>;
}

/** Spares, sets, prices, occasions, appointments and contacts. */
function cardHandlers({ database }: Ground) {
  const cards = (scope: HouseholdScope) => new CardScope(database, scope);
  return {
    readCards: async ({ scope }) => ({ cards: await cards(scope).seen() }),
    addCards: async ({ scope, body }) => ({ cards: await cards(scope).add(body.cards) }),
    changeCard: ({ scope, params, version, body }) => cards(scope).change(params.id, version, body),
    removeCard: async ({ scope, params, version }) => {
      await cards(scope).remove(params.id, version);
      return undefined;
    },
    previewContacts: ({ scope, request }) =>
      spooled(
        scope.identity.householdId,
        request,
        CONTACTS_BYTES,
        () => undefined,
        (path) => outcomeApart('contacts', { path }),
      ),
    exportContacts: async ({ scope }) => contactsText(await cards(scope).of('contact')),
  } satisfies Partial<Handlers>;
}

/** The household’s calendar, and another’s. */
function calendarHandlers({ database, secret }: Ground) {
  const calendar = (scope: HouseholdScope) => new CalendarScope(database, scope, secret);
  return {
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
      return outcomeApart('calendar', { text: body.text, timeZone, nowMs: Date.now() });
    },
  } satisfies Partial<Handlers>;
}

/** What goes out as files, and comes in again. */
function archiveHandlers({ database, imports }: Ground) {
  const archive = (scope: HouseholdScope) => new ArchiveScope(database, scope);
  const arrived = <T>(scope: HouseholdScope, request: Request, work: (path: string) => Promise<T>) =>
    spooled(scope.identity.householdId, request, ARCHIVE_BYTES, () => undefined, work);
  const tables = (scope: HouseholdScope) => new TableScope(scope);
  return {
    previewDiary: ({ scope, query, request }) => previewDiary(scope, request, query),
    importDiary: ({ scope, params, query, request }) =>
      imports.run(scope.identity.householdId, params.importId, upload(request, query.plan, DIARY_BYTES), (file) =>
        importDiary(scope, query, file),
      ),
    exportArchive: ({ scope }) => archive(scope).json(),
    exportLog: ({ scope }) => tables(scope).logCsv(),
    exportSessions: ({ scope }) => tables(scope).sessionsCsv(),
    exportStrings: ({ scope }) => tables(scope).stringsCsv(),
    importArchive: ({ scope, query, request }) =>
      arrived(scope, request, (path) => archive(scope).bringJson(path, query.look)),
    importLog: ({ scope, request }) => arrived(scope, request, (path) => archive(scope).bringLog(path)),
  } satisfies Partial<Handlers>;
}

/** What the workshop is told. */
function briefHandlers({ database, storage, accounts }: Ground) {
  return {
    printPassport: ({ scope, params, body }) =>
      printPassport(scope, new PhotoScope(database, scope, storage), params.id, body),
    printLoan: ({ scope, params, body: { sheet, paper, signs } }) =>
      printPassport(scope, new PhotoScope(database, scope, storage), params.id, { passport: sheet, paper }, { signs }),
    printLabels: ({ scope, body }) => printLabels(scope, body, accounts.publicUrl),
    printBrief: ({ scope, params, query }) =>
      new BriefScope(new CardScope(database, scope), scope, new PhotoScope(database, scope, storage)).print(
        params.id,
        query.paper,
      ),
  } satisfies Partial<Handlers>;
}

/** What is sent to workshops. */
function shareHandlers({ database, secret }: Ground) {
  const shares = (scope: HouseholdScope) => new ShareScope(database, scope, secret);
  return {
    readShares: async ({ scope }) => ({ shares: await shares(scope).list() }),
    makeShare: ({ scope, body }) => shares(scope).make(body.visitId, body.days),
    revokeShare: async ({ scope, params }) => {
      await shares(scope).revoke(params.id);
      return undefined;
    },
    settleAnswer: ({ scope, params }) => shares(scope).settle(params.id, params.answerId),
  } satisfies Partial<Handlers>;
}

/** Instruments that go to another household. */
function handoverHandlers({ database, secret }: Ground) {
  const handovers = (scope: HouseholdScope) => new HandoverScope(database, scope, secret);
  return {
    readHandovers: async ({ scope }) => ({ handovers: await handovers(scope).list() }),
    offerInstrument: ({ scope, body }) => handovers(scope).offer(body.instrumentId),
    withdrawOffer: async ({ scope, params }) => {
      await handovers(scope).withdraw(params.id);
      return undefined;
    },
    completeHandover: ({ scope, params }) => handovers(scope).complete(params.id),
    lookAtOffer: ({ scope, body }) => handovers(scope).look(body.key),
    takeOffer: ({ scope, body }) => handovers(scope).take(body.key),
  } satisfies Partial<Handlers>;
}

/** Photographs, one by one and all as a file. */
function photoHandlers({ database, storage }: Ground) {
  const photos = (scope: HouseholdScope) => new PhotoScope(database, scope, storage);
  const arrived = <T>(scope: HouseholdScope, request: Request, most: number, work: (path: string) => Promise<T>) =>
    spooled(scope.identity.householdId, request, most, () => undefined, work);
  return {
    readPhotos: async ({ scope }) => ({ photos: await photos(scope).list() }),
    keepPhoto: ({ scope, params, request }) =>
      arrived(scope, request, PHOTO_BYTES, (path) => photos(scope).keep(params, path)),
    readPhoto: ({ scope, params }) => photos(scope).read(params),
    removePhoto: async ({ scope, params }) => {
      await photos(scope).remove(params);
      return undefined;
    },
    exportPhotos: ({ scope }) => photosOut(photos(scope)),
    importPhotos: ({ scope, request }) =>
      arrived(scope, request, PHOTO_FILE_BYTES, (path) => photosIn(photos(scope), path)),
  } satisfies Partial<Handlers>;
}
