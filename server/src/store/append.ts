import {
  isBowKnown,
  mayRecordFor,
  logEventSchema,
  referredTo,
  refusalOf,
  SESSION_TYPES,
  type AdmissionContext,
  type EventType,
  type Family,
  type LogEvent,
  type Person,
} from '@tembrin/core';
import { bowsAmong, refusalSentence, type EventOutcome, type Problem } from '@tembrin/contract';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import { invalid, problem } from '../problems/problems';
import { personOf } from './actor';
import { CardScope } from './cards';
import { instrumentOf } from './rows';
import type { HouseholdScope } from './scope';
import { sessionsNear } from './sessions-near';

const decidesSessions = (type: EventType) => (SESSION_TYPES as readonly EventType[]).includes(type);

/**
 * Judges posted events one by one against the log and stores those that may join it, in one transaction.
 * An event whose id is stored already is left alone.
 * @param posted unchecked values, in the order they happened to be written down
 * @returns one outcome each, in the same order
 */
export async function appendEvents(
  database: Database,
  scope: HouseholdScope,
  posted: readonly unknown[],
): Promise<EventOutcome[]> {
  const { models } = database;
  const parsed = posted.map((value) => logEventSchema.safeParse(value));
  const events = parsed.flatMap((result) => (result.success ? [result.data] : []));

  return scope.recording(async (transaction, household) => {
    const receivedAt = new Date();
    const ids = events.flatMap((event) => [event.id, ...referredTo(event)]);
    const [instruments, there] = await Promise.all([
      scope.instrumentRows(transaction),
      // Looked for in all of the log: an id is one entry's, whoever sees it.
      scope.unbounded.events({ ids }, transaction, household),
    ]);
    const places = events.some(({ type }) => type === 'moved') ? await placesOf(models, scope, transaction) : new Set();
    const said = events.some(({ payload }) => 'bowId' in payload) ? await bowsOf(database, scope, transaction) : [];
    const bowed = [...instruments.values()].map(({ id, family }) => ({ id, family: family as Family }));
    const people = events.some(({ by }) => by !== undefined) ? await peopleOf(models, scope, transaction) : new Map();
    const stored = new Map(there.map(({ event }) => [event.id, event]));
    const sessions = new Map<string, LogEvent[]>();
    const accepted: LogEvent[] = [];

    const judge = async (event: LogEvent): Promise<Problem | 'stored' | 'known'> => {
      const row = instruments.get(event.instrumentId);
      if (!row || row.givenAt !== null)
        return problem(
          404,
          'no-such-instrument',
          'This instrument is not in your household. It may have been removed, or handed over.',
        );
      const same = stored.get(event.id);
      if (same) {
        if (isSame(same, event)) return 'known';
        return problem(409, 'id-taken', 'Another entry has this id. Enter it once more, so that it gets its own.');
      }
      let known = sessions.get(event.instrumentId);
      if (!known && decidesSessions(event.type)) {
        const own = events.filter((each) => each.instrumentId === event.instrumentId && decidesSessions(each.type));
        known = await sessionsNear(scope, event.instrumentId, own, transaction);
        sessions.set(event.instrumentId, known);
      }
      const context: AdmissionContext = {
        facts: instrumentOf(row),
        events: known ?? [],
        hasPlace: (placeId) => places.has(placeId),
        hasBow: (bowId) => isBowKnown(bowId, bowed, said),
        has: (eventId) => stored.get(eventId)?.instrumentId === event.instrumentId,
        nowMs: receivedAt.getTime(),
        timeZone: household.timeZone,
      };
      const subject = event.by === undefined ? null : people.get(event.by);
      if (subject === undefined) return problem(422, 'no-such-person', NOT_THERE);
      if (subject && scope.actor.person && !mayRecordFor(scope.actor.person, subject))
        return problem(403, 'not-for-them', NOT_FOR_THEM);
      const refusal = refusalOf(event, context);
      if (refusal) return problem(422, refusal.code, refusalSentence(refusal, household.timeZone));
      stored.set(event.id, event);
      known?.push(event);
      accepted.push(event);
      return 'stored';
    };

    const outcomes: EventOutcome[] = [];
    for (const [index, result] of parsed.entries()) {
      const verdict = result.success ? await judge(result.data) : invalid(result.error);
      const id = result.success ? result.data.id : null;
      outcomes.push(
        typeof verdict === 'string'
          ? { index, id, outcome: verdict }
          : { index, id, outcome: 'refused', problem: verdict },
      );
    }
    await scope.storeEvents(household, accepted, receivedAt, transaction);
    return outcomes;
  });
}

/** What was said of the household's bows. */
async function bowsOf(database: Database, scope: HouseholdScope, transaction: Transaction) {
  return bowsAmong(await new CardScope(database, scope).cards(transaction));
}

/** Whether two events say the same of the same. */
function isSame(one: LogEvent, other: LogEvent): boolean {
  const said = ({ instrumentId, type, occurredAt, recordedAt, payload }: LogEvent) =>
    JSON.stringify([instrumentId, type, Date.parse(occurredAt), Date.parse(recordedAt), payload]);
  return said(one) === said(other);
}

const NOT_THERE = 'Whoever did this is not in your household. Say who it was, and enter it once more.';
const NOT_FOR_THEM = 'You cannot put this on record as somebody else’s doing. Enter it once more as your own.';

/** The persons of a household, those who are gone among them. */
async function peopleOf(
  models: Database['models'],
  scope: HouseholdScope,
  transaction: Transaction,
): Promise<Map<string, Person>> {
  const rows = await models.Person.findAll({ where: scope.where({}), transaction });
  return new Map(rows.map((row) => [row.id, personOf(row)]));
}

async function placesOf(
  models: Database['models'],
  scope: HouseholdScope,
  transaction: Transaction,
): Promise<Set<string>> {
  const rows = await models.Place.findAll({ where: scope.where({}), attributes: ['id'], transaction, raw: true });
  return new Set(rows.map(({ id }) => id));
}
