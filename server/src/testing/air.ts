import { HOUR_MS } from '@tembrin/core';
import type { Air, LoggerPlan, Sensor } from '@tembrin/contract';
import { v7 as uuid } from 'uuid';
import type { household, TestServer } from './fixtures';

/** Rooms, hygrometers and readings for tests. */

export type Party = Awaited<ReturnType<typeof household>>;

export const ROOM = {
  kind: 'room' as const,
  name: 'Front room',
  roomId: null,
  volumeM3: 40,
  draught: 'ordinary' as const,
  heating: { from: 10, to: 4 },
  tankG: 3000,
  dryerG: null,
};

/** Adds a room, or a case. */
export async function room(party: Party, change: Partial<Record<keyof typeof ROOM, unknown>> = {}): Promise<string> {
  const id = uuid();
  await party.browser.post('/places', { id, ...ROOM, ...change }).expect(201);
  return id;
}

export async function sensor(party: Party, placeId: string, kind: Sensor['kind'] = 'hand') {
  const answer = await party.browser.post('/sensors', { id: uuid(), kind, name: 'On the shelf', placeId }).expect(201);
  return answer.body as { sensor: Sensor; key: string | null };
}

/** The short number under which a hygrometer's readings are stored. */
export async function numberOf({ database }: TestServer, id: string): Promise<number> {
  const [row] = await database.models.Sensor.findAll({ where: { id } });
  return row!.no!;
}

/** A reading as somebody takes it. */
export const reading = (percent: number, hoursAgo = 1, more: object = {}) => ({
  at: new Date(Date.now() - hoursAgo * HOUR_MS).toISOString(),
  percent,
  tempC: 20.5,
  lowPercent: null,
  highPercent: null,
  ...more,
});

export const airOf = async ({ browser }: Party) => (await browser.get('/air').expect(200)).body as Air;

/** How a plain file of a logger is read: time, humidity, temperature, semicolons between. */
export const LOGGER_PLAN: LoggerPlan = {
  delimiter: ';',
  skip: 1,
  date: 0,
  clock: null,
  rh: 1,
  temp: 2,
  order: 'ymd',
  tempUnit: 'C',
  rhUnit: 'percent',
};
