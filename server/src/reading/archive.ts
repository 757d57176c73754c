import { readFile } from 'node:fs/promises';
import {
  logEventSchema,
  refusalOf,
  SESSION_TYPES,
  type AdmissionContext,
  type EventType,
  type LogEvent,
} from '@tembrin/core';
import {
  archiveSchema,
  householdChangeSchema,
  newCardSchema,
  newInstrumentSchema,
  newPersonSchema,
  newPlaceSchema,
  refusalSentence,
} from '@tembrin/contract';
import Papa from 'papaparse';
import type * as z from 'zod';
import { fail } from '../problems/problems';
import { checkQuota } from '../problems/quota';
import { archivedSensorSchema, readingsIn, type ArchivedSensor } from './archived-air';
import { packed } from './packed';

/** Columns of a log in CSV; who did it comes last, and earlier files have no column for it. */
export const LOG_COLUMNS = ['id', 'instrumentId', 'type', 'occurredAt', 'recordedAt', 'payload'] as const;
export const BY_COLUMN = 'by';

/** Events and readings that are handed over at a time. */
const EVENTS_AT_ONCE = 2000;
const READINGS_AT_ONCE = 20_000;
/** Entries left out that are told of one by one. */
const TOLD = 3;

/** What a household's file is read against. */
export interface ArchiveGround {
  instruments: readonly (AdmissionContext['facts'] & { id: string })[];
  /** How many there are of each that a file may bring more of, by their ids. */
  ids: Readonly<Record<'places' | 'sensors' | 'cards' | 'people', readonly string[]>>;
  events: readonly LogEvent[];
  timeZone: string;
  nowMs: number;
}

/** Since when another household has it, and what that is called; null: it is here. */
interface Given {
  givenAt: Date | null;
  givenTo: string | null;
}

/** Something of a file, checked, in the order in which it is stored. */
export type Found =
  | {
      kind: 'things';
      settings: z.output<typeof householdChangeSchema>;
      instruments: readonly (z.output<typeof newInstrumentSchema> & { addedAt: Date } & Given)[];
      places: readonly z.output<typeof newPlaceSchema>[];
      sensors: readonly Omit<ArchivedSensor, 'readings'>[];
      cards: readonly z.output<typeof newCardSchema>[];
      people: readonly (z.output<typeof newPersonSchema> & { goneAt: Date | null })[];
    }
  | { kind: 'readings'; sensorId: string; block: Float64Array }
  | { kind: 'events'; events: readonly LogEvent[] };

/** What stays behind of a file. */
export interface LeftBehind {
  /** Old readings that were too many for it. */
  readings: number;
  /** Entries that are on record already. */
  known: number;
  /** Entries that cannot have been, and why the first of them cannot. */
  refused: { count: number; why: readonly string[] };
}

/** Reads a household's file. @throws ProblemError 422 with what is wrong, and where */
export async function* archiveParts({
  path,
  ground,
}: {
  path: string;
  ground: ArchiveGround;
}): AsyncGenerator<Found, LeftBehind> {
  const { things, columns, events, readingsLeft } = readArchive(await textOf(path), ground);
  yield things;
  for (const { sensorId, readings } of columns) {
    const all = readingsIn(readings, ground.nowMs);
    for (let from = 0; from < all.length; from += READINGS_AT_ONCE)
      yield { kind: 'readings', sensorId, block: packed(all.slice(from, from + READINGS_AT_ONCE)) };
  }
  const admission = new Admission({ ...ground, instruments: [...ground.instruments, ...things.instruments] });
  yield* admitted(admission, events);
  return admission.left(readingsLeft);
}

/** Reads a log in CSV. @throws ProblemError 422 with what is wrong, and where */
export async function* archivedLog({
  path,
  ground,
}: {
  path: string;
  ground: ArchiveGround;
}): AsyncGenerator<Found, LeftBehind> {
  const { data } = Papa.parse<string[]>(await textOf(path), { skipEmptyLines: 'greedy' });
  const head = data[0]?.map((cell) => cell.trim());
  if (LOG_COLUMNS.some((name) => !head?.includes(name)))
    fail(
      422,
      'wrong-columns',
      `A log has the columns ${LOG_COLUMNS.join(', ')}, separated by commas. Choose the file as it was saved.`,
    );
  const at = Object.fromEntries(LOG_COLUMNS.map((name) => [name, head!.indexOf(name)]));
  const byAt = head!.indexOf(BY_COLUMN);
  const admission = new Admission(ground);
  yield* admitted(
    admission,
    data.slice(1).map((cells) => {
      const by = byAt < 0 ? '' : (cells[byAt] ?? '').trim();
      const row = Object.fromEntries(LOG_COLUMNS.map((name) => [name, cells[at[name]!] ?? '']));
      return by === '' ? row : { ...row, by };
    }),
    (value, which) => {
      const cells = value as Record<string, string>;
      let payload: unknown = null;
      try {
        payload = JSON.parse(cells.payload!);
      } catch {
        fail(422, 'invalid', `Line ${which + 2}: the payload is not JSON. Nothing was brought in.`);
      }
      return checked(logEventSchema, { ...cells, payload }, `Line ${which + 2}`);
    },
  );
  return admission.left(0);
}

async function textOf(path: string): Promise<string> {
  return (await readFile(path, 'utf8')).replace(/^\uFEFF/, '');
}

/** Events one after another, as far as they may join the log. */
function* admitted(
  admission: Admission,
  values: readonly unknown[],
  read = (value: unknown, which: number) => checked(logEventSchema, value, `Event ${which + 1}`),
): Generator<Found> {
  let events: LogEvent[] = [];
  for (const [which, value] of values.entries()) {
    const event = read(value, which);
    if (admission.admits(event, which)) events.push(event);
    if (events.length < EVENTS_AT_ONCE) continue;
    yield { kind: 'events', events };
    events = [];
  }
  if (events.length > 0) yield { kind: 'events', events };
}

const isSession = (type: EventType) => (SESSION_TYPES as readonly EventType[]).includes(type);

/**
 * Judges a file's entries as those that are posted, one after another. Places and bows they name may have gone since: they were
 * looked for when the entry was made.
 */
class Admission {
  private readonly facts: ReadonlyMap<string, AdmissionContext['facts']>;
  /** Every event on record, by its id, with its instrument. */
  private readonly stored: Map<string, string>;
  private readonly sessions = new Map<string, LogEvent[]>();
  private known = 0;
  private readonly why: string[] = [];
  private refused = 0;

  constructor(private readonly ground: Omit<ArchiveGround, 'ids'>) {
    this.facts = new Map(ground.instruments.map((instrument) => [instrument.id, instrument]));
    this.stored = new Map(ground.events.map(({ id, instrumentId }) => [id, instrumentId]));
    for (const event of ground.events) if (isSession(event.type)) this.sessionsOf(event.instrumentId).push(event);
  }

  private sessionsOf(instrumentId: string): LogEvent[] {
    let own = this.sessions.get(instrumentId);
    if (!own) this.sessions.set(instrumentId, (own = []));
    return own;
  }

  /** @param which its place in the file @throws ProblemError 422 for one about an instrument that is nowhere */
  admits(event: LogEvent, which: number): boolean {
    const { id, instrumentId, type } = event;
    if (this.stored.has(id)) {
      this.known++;
      return false;
    }
    const facts = this.facts.get(instrumentId);
    if (!facts)
      fail(
        422,
        'no-such-instrument',
        `Event ${which + 1} is about an instrument that is not here. Bring in the household’s .json file first. Nothing was brought in.`,
      );
    const own = this.sessionsOf(instrumentId);
    const { nowMs, timeZone } = this.ground;
    const refusal = refusalOf(event, {
      facts,
      events: own,
      has: (other) => this.stored.get(other) === instrumentId,
      hasPlace: () => true,
      hasBow: () => true,
      nowMs,
      timeZone,
    });
    if (refusal) {
      this.refused++;
      if (this.why.length < TOLD) this.why.push(`Event ${which + 1}: ${refusalSentence(refusal, timeZone)}`);
      return false;
    }
    this.stored.set(id, instrumentId);
    if (isSession(type)) own.push(event);
    return true;
  }

  left(readings: number): LeftBehind {
    return { readings, known: this.known, refused: { count: this.refused, why: this.why } };
  }
}

/** What a household's file says, checked. @throws ProblemError 422 */
function readArchive(text: string, { instruments: there, ids }: ArchiveGround) {
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
  // Before each is looked at by itself: a file of a million instruments is none.
  for (const list of ['instruments', 'places', 'sensors', 'cards', 'people', 'events'] as const) {
    const all = (value as Record<string, unknown> | null)?.[list];
    if (Array.isArray(all)) checkQuota(list, 0, all.length);
  }
  const archive = checked(archiveSchema, value, 'The file');
  const known = { instruments: there.map(({ id }) => id), ...ids };
  for (const list of ['instruments', 'places', 'sensors', 'cards', 'people'] as const) {
    const own = new Set(known[list]);
    checkQuota(list, own.size, archive[list].filter(({ id }) => !own.has(id as string)).length);
  }
  const sensors = eachOnce(
    archive.sensors.map((sensor, at) => checked(archivedSensorSchema, sensor, `Hygrometer ${at + 1}`)),
    'Hygrometer',
  );
  eachOnce(
    sensors.flatMap(({ checks }) => checks),
    'Check',
  );
  return {
    things: {
      kind: 'things' as const,
      settings: checked(householdChangeSchema, archive.household, 'The household'),
      instruments: eachOnce(
        archive.instruments.map(({ addedAt, givenAt, givenTo, ...facts }, at) => ({
          ...checked(newInstrumentSchema, facts, `Instrument ${at + 1}`),
          addedAt: dateIn(addedAt) ?? new Date(),
          givenAt: dateIn(givenAt),
          givenTo: dateIn(givenAt) && typeof givenTo === 'string' ? givenTo.slice(0, 80) : null,
        })),
        'Instrument',
      ),
      places: eachOnce(
        archive.places.map((place, at) => checked(newPlaceSchema, place, `Place ${at + 1}`)),
        'Place',
      ),
      sensors: sensors.map(({ readings: _readings, ...sensor }) => sensor),
      cards: eachOnce(
        archive.cards.map((card, at) => checked(newCardSchema, card, `Card ${at + 1}`)),
        'Card',
      ),
      people: eachOnce(
        archive.people.map(({ goneAt, ...person }, at) => ({
          ...checked(newPersonSchema, person, `Person ${at + 1}`),
          goneAt: dateIn(goneAt),
        })),
        'Person',
      ),
    },
    columns: sensors.map(({ id: sensorId, readings }) => ({ sensorId, readings })),
    events: archive.events,
    readingsLeft: archive.readingsLeft,
  };
}

const dateIn = (text: unknown) =>
  typeof text === 'string' && Number.isFinite(Date.parse(text)) ? new Date(text) : null;

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
