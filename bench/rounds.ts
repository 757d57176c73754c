import { DAY_MS, HOUR_MS, readingOf, usualFacts, type LogEvent } from '@tembrin/core';
import { pino } from 'pino';
import { v7 as uuid } from 'uuid';
import type { Database } from '../server/src/database/connect';
import { benchDatabase } from './database';
import { Rounds } from '../server/src/notices/rounds';
import { Telling } from '../server/src/operating/telling';
import { appendEvents } from '../server/src/store/append';
import { PlaceScope } from '../server/src/store/air/places';
import { takeIn } from '../server/src/store/air/readings';
import { SensorScope } from '../server/src/store/air/sensors';
import { beginRounds } from '../server/src/store/rounds';
import { HouseholdScope } from '../server/src/store/scope';

/**
 * Looking at stored households for what there is to tell: each with a violin played for half a year, and its room's air by the hour for a
 * month. What it costs this process, against reading the same log; and what 10,000 households with hourly air come to, of one core.
 */
const HOUSEHOLDS = 100;
const SESSIONS = 120;
const AIR_DAYS = 30;
const ALL = 10_000;

function sessions(instrumentId: string, nowMs: number): LogEvent[] {
  return Array.from({ length: SESSIONS }, (_, day) => {
    const at = nowMs - (SESSIONS - day) * DAY_MS * 1.5;
    const event = (type: string, atMs: number, payload: object) => {
      const time = new Date(atMs).toISOString();
      return { id: uuid(), instrumentId, type, occurredAt: time, recordedAt: time, payload } as LogEvent;
    };
    const began = event('session-began', at, {});
    const ended = event('session-ended', at + HOUR_MS, { sessionId: began.id });
    const slack = event('step-done', at + HOUR_MS + 60_000, { step: 'slacken', sessionId: began.id });
    return [began, ended, slack];
  }).flat();
}

async function household(database: Database, no: number, nowMs: number): Promise<HouseholdScope> {
  const { models, sequelize } = database;
  const identity = { householdId: uuid(), accountId: uuid() };
  const createdAt = new Date(nowMs - 200 * DAY_MS);
  const usual = { name: 'Bench', timeZone: 'Europe/Lisbon', schools: '{}', currency: null, calendarId: null };
  await models.Household.create({
    id: identity.householdId,
    ...usual,
    demo: false,
    logEpoch: uuid(),
    openedAt: null,
    createdAt,
    version: 1,
  });
  const email = `bench-${no}-${identity.accountId}@example.org`;
  const account = { id: identity.accountId, householdId: identity.householdId, email, passwordHash: '-', createdAt };
  await models.Account.create(account);
  const person = { role: 'keeper', plays: '[]', looksAfter: '[]', addedAt: createdAt, version: 1 };
  await models.Person.create({ ...identity, id: uuid(), name: 'Bench', ...person });
  const scope = new HouseholdScope(database, identity);
  const instrument = await scope.addInstrument({ id: uuid(), name: 'Heron', ...usualFacts('violin') });
  await models.Instrument.update({ addedAt: createdAt }, { where: scope.where({ id: instrument.id }) });
  const placeId = uuid();
  const room = { kind: 'room' as const, roomId: null, volumeM3: 40, draught: 'ordinary' as const, heating: null };
  await new PlaceScope(database, scope).add({ id: placeId, name: 'Room', ...room, tankG: null, dryerG: null });
  const { sensor } = await new SensorScope(database, scope).add({ id: uuid(), kind: 'logger', name: 'L', placeId });
  const row = await models.Sensor.findOne({ where: { id: sensor.id }, raw: true });
  const readings = Array.from({ length: AIR_DAYS * 24 }, (_, hour) => {
    const at = nowMs - (AIR_DAYS * 24 - hour) * HOUR_MS;
    const taken = { at, percent: 45 + 8 * Math.sin(hour / 40), tempC: 20, lowPercent: null, highPercent: null };
    return readingOf(taken, nowMs);
  }).flatMap((reading) => (typeof reading === 'string' ? [] : [reading]));
  await sequelize.transaction((transaction) => takeIn(sequelize, row!.no!, readings, transaction));
  const moved = { placeId, cased: false };
  const time = createdAt.toISOString();
  const lives = { id: uuid(), instrumentId: instrument.id, type: 'moved', occurredAt: time, recordedAt: time };
  await appendEvents(database, scope, [{ ...lives, payload: moved }, ...sessions(instrument.id, nowMs)]);
  return scope;
}

/** CPU of this process while something is done, ms. */
async function cpuOf(work: () => Promise<unknown>): Promise<number> {
  const before = process.cpuUsage();
  await work();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

const database = benchDatabase();
const nowMs = Date.now();
const scopes: HouseholdScope[] = [];
for (let no = 0; no < HOUSEHOLDS; no++) scopes.push(await household(database, no, nowMs));
const ground = {
  database,
  queue: { add: () => Promise.resolve(), kick: () => undefined },
  mail: false,
  outside: { weather: () => Promise.resolve(null) },
};
const rounds = new Rounds(ground, { LOOK_DELAY_S: 0, LOOK_SPACING_S: 0 }, new Telling(pino({ level: 'silent' })));
// A day, whatever the clock shows here: at night nothing is looked at.
const noon = () => new Date(Math.floor(nowMs / DAY_MS) * DAY_MS + 12 * HOUR_MS);
await beginRounds(database.sequelize, new Date(0));
let looked = await rounds.drain(noon);
const again = () => database.sequelize.query("UPDATE notice_rounds SET dueAt = '2000-01-01', heldUntil = NULL");
await again();
const baseline = await cpuOf(() => Promise.all(scopes.map((scope) => scope.log())));
const began = performance.now();
const cpu = await cpuOf(async () => {
  looked = await rounds.drain(noon);
});
const took = performance.now() - began;
const each = cpu / looked;
console.log('Looking at stored households for what there is to tell (one process; baseline: reading the same logs)\n');
console.log(
  `${looked} looked at: ${each.toFixed(1)} ms of CPU each, ${(took / looked).toFixed(1)} ms of time; ${(cpu / baseline).toFixed(1)} × baseline`,
);
console.log(
  `${ALL} with hourly air, each looked at hourly: ${((ALL * each) / 3_600_000).toFixed(2)} of a core; looked at when the daytime is fifteen hours: ${((ALL * each * 15) / 24 / 3_600_000).toFixed(2)} on average`,
);
await database.close();
