import type { DemoLibrary } from '@tembrin/simulators';
import type { Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Database } from '../database/connect';
import { waysText } from '../store/people';
import { rollUp } from '../store/air/hours';
import { placeColumns } from '../store/air/places';
import { storeReadings } from '../store/air/readings';
import { insertEvents } from '../store/event-rows';
import { instrumentColumns } from '../store/rows';

const ROWS_AT_ONCE = 2000;

/** Stores a library that copies are made of, and nobody opens. @returns its household's id */
export async function storeMaster(
  { sequelize, models }: Database,
  library: DemoLibrary,
  timeZone: string,
  now: Date,
  transaction: Transaction,
): Promise<string> {
  const id = uuid();
  await models.Household.create(
    {
      id,
      name: library.name,
      timeZone,
      schools: JSON.stringify(library.schools),
      currency: library.currency,
      demo: true,
      openedAt: null,
      createdAt: now,
      version: 1,
      logNumber: library.events.length,
      logEpoch: uuid(),
    },
    { transaction },
  );
  await models.Instrument.bulkCreate(
    library.instruments.map(({ id: instrumentId, addedAt, ...facts }) => ({
      id: instrumentId,
      householdId: id,
      ...instrumentColumns(facts),
      addedAt: new Date(addedAt),
      version: 1,
    })),
    { transaction },
  );
  await insertEvents(transaction, id, library.events, 0, now);
  await models.Card.bulkCreate(
    library.cards.map(({ facts, ...card }, at) => ({
      householdId: id,
      ...card,
      facts: JSON.stringify(facts),
      addedAt: new Date(now.getTime() + at),
      version: 1,
    })),
    { transaction },
  );
  await models.Person.bulkCreate(
    library.people.map(({ plays, looksAfter, schools, hands, ...person }, at) => ({
      householdId: id,
      ...person,
      plays: JSON.stringify(plays),
      looksAfter: JSON.stringify(looksAfter),
      ways: waysText({ schools, hands }),
      accountId: null,
      addedAt: new Date(now.getTime() + at),
      version: 1,
    })),
    { transaction },
  );
  await storeAir({ sequelize, models }, id, library.air, now, transaction);
  return id;
}

async function storeAir(
  { sequelize, models }: Pick<Database, 'sequelize' | 'models'>,
  householdId: string,
  { places, sensors }: DemoLibrary['air'],
  now: Date,
  transaction: Transaction,
): Promise<void> {
  await models.Place.bulkCreate(
    places.map(({ id, room: _room, ...place }, at) => ({
      householdId,
      id,
      ...placeColumns(place),
      addedAt: new Date(now.getTime() + at),
      version: 1,
    })),
    { transaction },
  );
  for (const [at, { id, placeId, kind, name, checks, readings }] of sensors.entries()) {
    const { no } = await models.Sensor.create(
      {
        no: null,
        householdId,
        id,
        name,
        kind,
        placeId,
        stays: JSON.stringify([{ from: 0, placeId }]),
        keyHash: null,
        battery: null,
        addedAt: new Date(now.getTime() + at),
        version: 1,
      },
      { transaction },
    );
    await models.SaltCheck.bulkCreate(
      checks.map((check) => ({ ...check, householdId, sensorId: id, at: new Date(check.at) })),
      { transaction },
    );
    for (let from = 0; from < readings.length; from += ROWS_AT_ONCE)
      await storeReadings(sequelize, no!, readings.slice(from, from + ROWS_AT_ONCE), transaction);
    await rollUp(sequelize, no!, readings[0]!.atS, readings.at(-1)!.atS, transaction);
  }
}
