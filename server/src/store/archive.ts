import {
  byInstrument,
  CLOCK_TOLERANCE_MS,
  DAY_MS,
  foldLog,
  hoursBetween,
  MINUTE_MS,
  logEventSchema,
  noteName,
  openStrings,
  pastStrings,
  stringsOn,
  type LogEvent,
} from '@tembrin/core';
import {
  archiveSchema,
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
import { placeColumns, PlaceScope } from './air/places';
import { CardScope } from './cards';
import { wholeLog } from './assessed';
import { eventColumns, instrumentColumns } from './rows';
import type { HouseholdScope } from './scope';

/** Largest file that is brought in again, bytes. */
const MOST_BYTES = 60_000_000;
const AT_ONCE = 1000;
const NEWLINE = '\r\n';

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

/** A cell that a spreadsheet would take for a formula is kept a text. Common practice. */
function safe(cell: string): string {
  return /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell;
}

/** What goes out of a household, and what comes in again. */
export class ArchiveScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {}

  async json(now = new Date()): Promise<string> {
    const [household, air, cards, events] = await Promise.all([
      this.scope.household(),
      new PlaceScope(this.database, this.scope).places(),
      new CardScope(this.database, this.scope).cards(),
      wholeLog(this.database, this.scope),
    ]);
    const { name, timeZone, schools, currency, instruments } = household;
    const archive: Archive = {
      format: 'tembrin-1',
      exportedAt: now.toISOString(),
      household: { name, timeZone, schools, currency },
      instruments: instruments.map(({ version: _version, ...instrument }) => instrument),
      places: air.map(({ version: _version, ...place }) => place),
      cards: cards.map(({ version: _version, ...card }) => card),
      events,
    };
    return JSON.stringify(archive);
  }

  /** The log, an event a line; the payload as JSON, so that nothing is lost. */
  async logCsv(): Promise<string> {
    const events = await wholeLog(this.database, this.scope);
    return Papa.unparse(
      {
        fields: [...LOG_COLUMNS],
        data: events.map(({ id, instrumentId, type, occurredAt, recordedAt, payload }) => [
          id,
          instrumentId,
          type,
          occurredAt,
          recordedAt,
          JSON.stringify(payload),
        ]),
      },
      { newline: NEWLINE },
    );
  }

  async sessionsCsv(nowMs = Date.now()): Promise<string> {
    const { instruments, timeZone } = await this.scope.household();
    const logs = byInstrument(await wholeLog(this.database, this.scope));
    const day = wallFormat(timeZone, { year: 'numeric', month: '2-digit', day: '2-digit' });
    const clock = wallFormat(timeZone, { hour: '2-digit', minute: '2-digit' });
    const rows = instruments.flatMap(({ id, name }) =>
      foldLog(logs.get(id) ?? [], nowMs, timeZone).sessions.flatMap(({ beganAt, endedAt, entered }) =>
        endedAt === null
          ? []
          : [
              [
                safe(name),
                day(beganAt),
                clock(beganAt),
                clock(endedAt),
                ((endedAt - beganAt) / MINUTE_MS).toFixed(1),
                entered ? 'entered' : 'timed',
              ],
            ],
      ),
    );
    rows.sort((a, b) => (a[1]! + a[2]! < b[1]! + b[2]! ? -1 : 1));
    return Papa.unparse(
      { fields: ['instrument', 'date', 'from', 'to', 'minutes', 'how'], data: rows },
      { newline: NEWLINE },
    );
  }

  async stringsCsv(nowMs = Date.now()): Promise<string> {
    const { instruments, timeZone } = await this.scope.household();
    const logs = byInstrument(await wholeLog(this.database, this.scope));
    const day = wallFormat(timeZone, { year: 'numeric', month: '2-digit', day: '2-digit' });
    const rows = instruments.flatMap((instrument) => {
      const log = foldLog(logs.get(instrument.id) ?? [], nowMs, timeZone);
      const notes = openStrings(instrument).map(({ note }) => noteName(note));
      const past = pastStrings(log, instrument.stringCount).map(({ position, spec, from, to, successor }) => ({
        position,
        spec,
        from,
        to: to as number | null,
        why: successor.reason as string,
      }));
      const on = stringsOn(log, instrument.stringCount).flatMap(({ position, fitting, spec }) =>
        fitting ? [{ position, spec, from: fitting.at, to: null, why: '' }] : [],
      );
      return [...past, ...on].map(({ position, spec, from, to, why }) => {
        const until = to ?? nowMs;
        const hours = hoursBetween(log.playing, from, until);
        return [
          safe(instrument.name),
          notes[position] ?? String(position + 1),
          spec ? `${spec.core} ${spec.winding}` : '',
          spec?.gaugeMm ? String(spec.gaugeMm) : '',
          day(from),
          to === null ? '' : day(to),
          ((until - from) / DAY_MS).toFixed(0),
          hours.toFixed(1),
          why,
        ];
      });
    });
    const fields = [
      'instrument',
      'string',
      'make-up',
      'gauge mm',
      'on',
      'off',
      'days',
      'hours played',
      'why it came off',
    ];
    return Papa.unparse({ fields, data: rows }, { newline: NEWLINE });
  }

  /** Brings a household's file in: what is not there yet is added, all of it or nothing; what is there stays as it is. */
  async bringJson(text: string): Promise<ResponseOf<'importArchive'>> {
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
    const events = archive.events.map((event, at) => checked(logEventSchema, event, `Event ${at + 1}`));
    const instruments = archive.instruments.map(({ addedAt, ...facts }, at) => ({
      ...checked(newInstrumentSchema, facts, `Instrument ${at + 1}`),
      addedAt: typeof addedAt === 'string' && Number.isFinite(Date.parse(addedAt)) ? new Date(addedAt) : new Date(),
    }));
    const places = archive.places.map((place, at) => checked(newPlaceSchema, place, `Place ${at + 1}`));
    const cards = archive.cards.map((card, at) => checked(newCardSchema, card, `Card ${at + 1}`));
    const { models } = this.database;
    return this.scope.alone(async (transaction) => {
      const there = await this.scope.instrumentRows(transaction);
      const newInstruments = instruments.filter(({ id }) => !there.has(id));
      await models.Instrument.bulkCreate(
        newInstruments.map(({ id, addedAt, ...facts }) =>
          this.scope.where({ id, ...instrumentColumns(facts), addedAt, version: 1 }),
        ),
        { transaction },
      );
      const rooms = await models.Place.findAll({
        where: this.scope.where({}),
        attributes: ['id'],
        transaction,
        raw: true,
      });
      const knownPlaces = new Set(rooms.map(({ id }) => id));
      const newPlaces = places.filter(({ id }) => !knownPlaces.has(id));
      await models.Place.bulkCreate(
        newPlaces.map(({ id, ...place }, at) =>
          this.scope.where({ id, ...placeColumns(place), addedAt: new Date(Date.now() + at), version: 1 }),
        ),
        { transaction },
      );
      const before = (await new CardScope(this.database, this.scope).cards(transaction)).length;
      await new CardScope(this.database, this.scope).addIn(cards, transaction);
      const after = (await new CardScope(this.database, this.scope).cards(transaction)).length;
      const { stored, known } = await this.store(events, transaction);
      return {
        instruments: newInstruments.length,
        places: newPlaces.length,
        cards: after - before,
        events: stored,
        known,
      };
    });
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
    return this.scope.alone(async (transaction) => {
      const { stored, known } = await this.store(events, transaction);
      return { instruments: 0, places: 0, cards: 0, events: stored, known };
    });
  }

  /** Stores events that are not there yet. They were admitted once: only that they hang together is looked at again. */
  private async store(
    events: readonly LogEvent[],
    transaction: NonNullable<Parameters<HouseholdScope['instrumentRows']>[0]>,
  ) {
    const { models } = this.database;
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
    for (let from = 0; from < fresh.length; from += AT_ONCE) {
      await models.Event.bulkCreate(
        fresh
          .slice(from, from + AT_ONCE)
          .map((event) => eventColumns(event, this.scope.identity.householdId, receivedAt)),
        { transaction },
      );
    }
    return { stored: fresh.length, known: events.length - fresh.length };
  }
}

const LOG_COLUMNS = ['id', 'instrumentId', 'type', 'occurredAt', 'recordedAt', 'payload'] as const;

function checked<S extends z.ZodType>(schema: S, value: unknown, what: string): z.output<S> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const issue = result.error.issues[0];
  const where = issue && issue.path.length > 0 ? ` (${issue.path.map(String).join('.')})` : '';
  fail(422, 'invalid', `${what}${where}: ${issue?.message ?? 'cannot be read.'} Nothing was brought in.`);
}

/** Dates and times as a place's wall shows them, in the order of ISO 8601. */
function wallFormat(timeZone: string, options: Intl.DateTimeFormatOptions): (atMs: number) => string {
  const format = new Intl.DateTimeFormat('sv-SE', { ...options, timeZone });
  return (atMs) => format.format(atMs);
}
