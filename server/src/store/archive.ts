import { CLOCK_TOLERANCE_MS, logEventSchema, type LogEvent } from '@tembrin/core';
import {
  archiveSchema,
  householdChangeSchema,
  newCardSchema,
  newInstrumentSchema,
  newPlaceSchema,
  type Archive,
  type ResponseOf,
} from '@tembrin/contract';
import type { Request } from 'express';
import Papa from 'papaparse';
import type { z } from 'zod';
import type { Database } from '../database/connect';
import { fail } from '../problems/problems';
import { MOST_PLACES, placeColumns, PlaceScope } from './air/places';
import { archivedSensorSchema, ArchivedAir } from './archive-air';
import { LOG_COLUMNS } from './archive-tables';
import { CardScope } from './cards';
import { instrumentColumns } from './rows';
import { MOST_INSTRUMENTS, type HouseholdScope } from './scope';
import type { HouseholdRow } from '../database/models';
import type { Transaction } from 'sequelize';

/** Largest file that is brought in again, bytes. */
const MOST_BYTES = 60_000_000;

/** Reads the body as it comes, up to what is taken. */
export async function bodyText(request: Request): Promise<string> {
  const parts: Buffer[] = [];
  let bytes = 0;
  for await (const part of request as AsyncIterable<Buffer>) {
    bytes += part.length;
    if (bytes > MOST_BYTES)
      fail(413, 'too-large', `That file is larger than ${MOST_BYTES / 1e6} MB. Nothing was brought in.`);
    parts.push(part);
  }
  return Buffer.concat(parts)
    .toString('utf8')
    .replace(/^\uFEFF/, '');
}

/** What goes out of a household, and what comes in again. */
export class ArchiveScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {}

  async json(now = new Date()): Promise<string> {
    const [household, air, hygrometers, cards, events] = await Promise.all([
      this.scope.household(),
      new PlaceScope(this.database, this.scope).places(),
      new ArchivedAir(this.database, this.scope).out(),
      new CardScope(this.database, this.scope).cards(),
      this.scope.log(),
    ]);
    const { name, timeZone, schools, currency, instruments } = household;
    const archive: Archive = {
      format: 'tembrin-1',
      exportedAt: now.toISOString(),
      household: { name, timeZone, schools, currency },
      instruments: instruments.map(({ version: _version, ...instrument }) => instrument),
      places: air.map(({ version: _version, ...place }) => place),
      sensors: hygrometers.sensors,
      readingsLeft: hygrometers.left,
      cards: cards.map(({ version: _version, ...card }) => card),
      events,
    };
    return JSON.stringify(archive);
  }

  /**
   * Brings a household's file in: what is not there yet is added, all of it or nothing; what is there stays as it is. Into an
   * empty household its name, time zone, schools and currency come along.
   * @param look only tells what would come in
   */
  async bringJson(text: string, look: boolean): Promise<ResponseOf<'importArchive'>> {
    const archive = readArchive(text);
    try {
      return await this.scope.alone(async (transaction, household) => {
        const outcome = await this.bringAll(archive, household, transaction);
        // Everything was tried out; what is thrown takes it back.
        if (look) throw new OnlyLooked(outcome);
        return outcome;
      });
    } catch (error) {
      if (error instanceof OnlyLooked) return error.outcome;
      throw error;
    }
  }

  private async bringAll(
    archive: ReadArchive,
    household: HouseholdRow,
    transaction: Transaction,
  ): Promise<ResponseOf<'importArchive'>> {
    const { models } = this.database;
    const there = await this.scope.instrumentRows(transaction);
    const where = this.scope.where({});
    const rooms = await models.Place.findAll({ where, attributes: ['id'], transaction, raw: true });
    const empty = there.size === 0 && rooms.length === 0;
    if (empty) {
      const { schools, ...settings } = archive.settings;
      await household.update(
        { ...settings, schools: JSON.stringify(schools), version: household.version + 1 },
        { transaction },
      );
    }
    const newInstruments = archive.instruments.filter(({ id }) => !there.has(id));
    const knownPlaces = new Set(rooms.map(({ id }) => id));
    const newPlaces = archive.places.filter(({ id }) => !knownPlaces.has(id));
    if (there.size + newInstruments.length > MOST_INSTRUMENTS || rooms.length + newPlaces.length > MOST_PLACES)
      fail(
        422,
        'too-many',
        `A household holds at most ${MOST_INSTRUMENTS} instruments and ${MOST_PLACES} places. Nothing was brought in.`,
      );
    await models.Instrument.bulkCreate(
      newInstruments.map(({ id, addedAt, ...facts }) =>
        this.scope.where({ id, ...instrumentColumns(facts), addedAt, version: 1 }),
      ),
      { transaction },
    );
    await models.Place.bulkCreate(
      newPlaces.map(({ id, ...place }, at) =>
        this.scope.where({ id, ...placeColumns(place), addedAt: new Date(Date.now() + at), version: 1 }),
      ),
      { transaction },
    );
    const air = await new ArchivedAir(this.database, this.scope).bring(archive.sensors, transaction);
    const cards = new CardScope(this.database, this.scope);
    const before = (await cards.cards(transaction)).length;
    await cards.addIn(archive.cards, transaction);
    const after = (await cards.cards(transaction)).length;
    const { stored, known } = await this.store(archive.events, household, transaction);
    return {
      instruments: newInstruments.length,
      places: newPlaces.length,
      sensors: air.sensors,
      readings: air.readings,
      cards: after - before,
      events: stored,
      known,
      settings: empty,
      left: leftBehind(archive, air.keyless, empty),
    };
  }

  /** Brings a log in CSV in. */
  async bringLog(text: string): Promise<ResponseOf<'importLog'>> {
    const { data } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
    const head = data[0]?.map((cell) => cell.trim());
    if (LOG_COLUMNS.some((name) => !head?.includes(name)))
      fail(
        422,
        'wrong-columns',
        `A log has the columns ${LOG_COLUMNS.join(', ')}, separated by commas. Choose the file as it was saved.`,
      );
    const at = Object.fromEntries(LOG_COLUMNS.map((name) => [name, head!.indexOf(name)]));
    const events = data.slice(1).map((cells, line) => {
      const cell = (name: (typeof LOG_COLUMNS)[number]) => cells[at[name]!] ?? '';
      let payload: unknown = null;
      try {
        payload = JSON.parse(cell('payload'));
      } catch {
        fail(422, 'invalid', `Line ${line + 2}: the payload is not JSON. Nothing was brought in.`);
      }
      const event = { ...Object.fromEntries(LOG_COLUMNS.map((name) => [name, cell(name)])), payload };
      return checked(logEventSchema, event, `Line ${line + 2}`);
    });
    return this.scope.alone(async (transaction, household) => {
      const { stored, known } = await this.store(events, household, transaction);
      return {
        instruments: 0,
        places: 0,
        sensors: 0,
        readings: 0,
        cards: 0,
        events: stored,
        known,
        settings: false,
        left: [],
      };
    });
  }

  /** Stores events that are not there yet. They were admitted once: only that they hang together is looked at again. */
  private async store(events: readonly LogEvent[], household: HouseholdRow, transaction: Transaction) {
    const instruments = await this.scope.instrumentRows(transaction);
    const there = await this.scope.knownEvents(
      events.map(({ id }) => id),
      transaction,
    );
    const latest = Date.now() + CLOCK_TOLERANCE_MS;
    for (const [at, event] of events.entries()) {
      if (!instruments.has(event.instrumentId))
        fail(
          422,
          'no-such-instrument',
          `Event ${at + 1} is about an instrument that is not here. Bring in the household’s .json file first. Nothing was brought in.`,
        );
      if (Date.parse(event.occurredAt) > latest)
        fail(
          422,
          'in-the-future',
          `Event ${at + 1} is in the future. Check this server’s clock. Nothing was brought in.`,
        );
    }
    const receivedAt = new Date();
    const seen = new Set(there);
    const fresh = events.filter(({ id }) => !seen.has(id) && seen.add(id));
    await this.scope.storeEvents(household, fresh, receivedAt, transaction);
    return { stored: fresh.length, known: events.length - fresh.length };
  }
}

/** Thrown to take back what was only tried out. */
class OnlyLooked extends Error {
  constructor(readonly outcome: ResponseOf<'importArchive'>) {
    super('Nothing was kept.');
  }
}

/** What a household's file says, checked. @throws ProblemError 422 */
function readArchive(text: string) {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    fail(
      422,
      'unreadable',
      'That is not a file Tembrin wrote, or it is cut off. Choose the .json file as it was saved.',
    );
  }
  const archive = checked(archiveSchema, value, 'The file');
  const sensors = eachOnce(
    archive.sensors.map((sensor, at) => checked(archivedSensorSchema, sensor, `Hygrometer ${at + 1}`)),
    'Hygrometer',
  );
  eachOnce(
    sensors.flatMap(({ checks }) => checks),
    'Check',
  );
  return {
    settings: checked(householdChangeSchema, archive.household, 'The household'),
    events: archive.events.map((event, at) => checked(logEventSchema, event, `Event ${at + 1}`)),
    instruments: eachOnce(
      archive.instruments.map(({ addedAt, ...facts }, at) => ({
        ...checked(newInstrumentSchema, facts, `Instrument ${at + 1}`),
        addedAt: typeof addedAt === 'string' && Number.isFinite(Date.parse(addedAt)) ? new Date(addedAt) : new Date(),
      })),
      'Instrument',
    ),
    places: eachOnce(
      archive.places.map((place, at) => checked(newPlaceSchema, place, `Place ${at + 1}`)),
      'Place',
    ),
    sensors,
    cards: eachOnce(
      archive.cards.map((card, at) => checked(newCardSchema, card, `Card ${at + 1}`)),
      'Card',
    ),
    readingsLeft: archive.readingsLeft,
  };
}
type ReadArchive = ReturnType<typeof readArchive>;

/** What of a household does not come along with its file, a sentence each. */
function leftBehind({ readingsLeft }: ReadArchive, keyless: number, empty: boolean): string[] {
  return [
    ...(keyless > 0
      ? [
          `${keyless === 1 ? 'One hygrometer sends' : `${keyless} hygrometers send`} by itself: its key is not in the file. Make a new one on its page.`,
        ]
      : []),
    ...(readingsLeft > 0 ? [`${readingsLeft} old readings were too many for the file.`] : []),
    ...(empty ? [] : ['The name, time zone, schools and currency of this household stay as they are.']),
    'Accounts, the address of the calendar feed and the settings of a device are not in the file.',
  ];
}

/** @returns what was given. @throws ProblemError 422 where two have one id: which of them is meant cannot be told */
function eachOnce<T extends { id: string }>(all: T[], what: string): T[] {
  const seen = new Set<string>();
  for (const [at, { id }] of all.entries()) {
    if (seen.has(id)) fail(422, 'invalid', `${what} ${at + 1} is in the file twice. Nothing was brought in.`);
    seen.add(id);
  }
  return all;
}

function checked<S extends z.ZodType>(schema: S, value: unknown, what: string): z.output<S> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const issue = result.error.issues[0];
  const where = issue && issue.path.length > 0 ? ` (${issue.path.map(String).join('.')})` : '';
  fail(422, 'invalid', `${what}${where}: ${issue?.message ?? 'cannot be read.'} Nothing was brought in.`);
}
