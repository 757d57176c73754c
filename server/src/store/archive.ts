import type { Archive, ResponseOf } from '@tembrin/contract';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import type { HouseholdRow } from '../database/models';
import { isPassing } from '../database/transaction';
import { fail } from '../problems/problems';
import { checkQuota } from '../problems/quota';
import { withApart } from '../reading/apart';
import type { ArchiveGround, Found, LeftBehind } from '../reading/archive';
import { unpacked } from '../reading/packed';
import { checkRoom, placeColumns, PlaceScope } from './air/places';
import { ArchivedAir } from './archive-air';
import { personOf } from './actor';
import { CardScope } from './cards';
import { waysText } from './people';
import { instrumentColumns } from './rows';
import type { HouseholdScope } from './scope';

/** Largest file that is brought in again, bytes. */
export const ARCHIVE_BYTES = 60_000_000;

type Outcome = ResponseOf<'importArchive'>;
type Things = Extract<Found, { kind: 'things' }>;

/** How often a file is read again because something was put on record meanwhile. */
const TRIES = 3;

/** What goes out of a household, and what comes in again. */
export class ArchiveScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {}

  async json(now = new Date()): Promise<string> {
    const [household, air, hygrometers, cards, events, people] = await Promise.all([
      this.scope.household(),
      new PlaceScope(this.database, this.scope).places(),
      new ArchivedAir(this.database, this.scope).out(),
      new CardScope(this.database, this.scope).cards(),
      this.scope.log(),
      this.database.models.Person.findAll({ where: this.scope.where({}), order: ['addedAt', 'id'] }),
    ]);
    const { name, timeZone, schools, currency } = household;
    const instruments = [...household.instruments, ...household.given];
    const archive: Archive = {
      format: 'tembrin-1',
      exportedAt: now.toISOString(),
      household: { name, timeZone, schools, currency },
      instruments: instruments.map(({ version: _version, ...instrument }) => instrument),
      places: air.map(({ version: _version, ...place }) => place),
      sensors: hygrometers.sensors,
      readingsLeft: hygrometers.left,
      cards: cards.map(({ version: _version, ...card }) => card),
      people: people.map((row) => ({ ...personOf(row), goneAt: row.goneAt?.toISOString() ?? null })),
      events,
    };
    return JSON.stringify(archive);
  }

  /**
   * Brings a household's file in: what is not there yet is added, all of it or nothing; what is there stays as it is. Into an
   * empty household its name, time zone, schools and currency come along.
   * @param path of the file
   * @param look only tells what would come in
   */
  bringJson(path: string, look: boolean): Promise<Outcome> {
    return this.bring('archive', path, look);
  }

  /** Brings a log in CSV in. */
  bringLog(path: string): Promise<Outcome> {
    return this.bring('archivedLog', path, false);
  }

  private async bring(task: 'archive' | 'archivedLog', path: string, look: boolean): Promise<Outcome> {
    for (let attempt = 1; ; attempt++) {
      const { ground, turn } = await this.ground();
      try {
        return await withApart(task, { path, ground }, (found, left) =>
          this.scope.aloneOnce(async (transaction, household) => {
            // It was read against what was there before: what came meanwhile was not looked at.
            if (Number(household.turn) !== turn + 1) throw new Overtaken();
            const outcome = await this.storeAll(found, left, household, transaction);
            // Everything was tried out; what is thrown takes it back.
            if (look) throw new OnlyLooked(outcome);
            return outcome;
          }),
        );
      } catch (error) {
        if (error instanceof OnlyLooked) return error.outcome;
        if (!(error instanceof Overtaken) && !isPassing(error)) throw error;
        if (attempt === TRIES)
          fail(503, 'busy', 'Your household is being written to all the time. Nothing was brought in; try again.');
      }
    }
  }

  /** What a file is read against, and the household's turn before that. */
  private async ground(): Promise<{ ground: ArchiveGround; turn: number }> {
    const { Place, Sensor, Card, Person } = this.database.models;
    const { turn, timeZone } = await this.scope.row();
    const idsIn = async (model: typeof Place | typeof Sensor | typeof Card | typeof Person) =>
      (await (model as typeof Place).findAll({ where: this.scope.where({}), attributes: ['id'], raw: true })).map(
        ({ id }) => id,
      );
    const [{ instruments: here, given }, events, places, sensors, cards, people] = await Promise.all([
      this.scope.household(),
      this.scope.log(),
      ...[Place, Sensor, Card, Person].map(idsIn),
    ]);
    return {
      turn: Number(turn),
      ground: {
        instruments: [...here, ...given].map(({ id, family, since, stringCount }) => ({
          id,
          family,
          since,
          stringCount,
        })),
        ids: { places: places!, sensors: sensors!, cards: cards!, people: people! },
        events,
        timeZone,
        nowMs: Date.now(),
      },
    };
  }

  private async storeAll(
    found: AsyncIterable<Found>,
    left: () => LeftBehind,
    household: HouseholdRow,
    transaction: Transaction,
  ): Promise<Outcome> {
    const air = new ArchivedAir(this.database, this.scope);
    const receivedAt = new Date();
    let things: Awaited<ReturnType<ArchiveScope['storeThings']>> | null = null;
    let [readings, events] = [0, 0];
    for await (const part of found) {
      if (part.kind === 'things') things = await this.storeThings(part, air, household, transaction);
      else if (part.kind === 'readings') readings += await air.store(part.sensorId, unpacked(part.block), transaction);
      else {
        await this.scope.storeEvents(household, part.events, receivedAt, transaction);
        events += part.events.length;
      }
    }
    await air.rollUp(transaction);
    const { known, ...behind } = left();
    const { keyless = 0, ...counts } = things ?? { instruments: 0, places: 0, sensors: 0, cards: 0, settings: false };
    const sentences = things ? leftBehind(behind, keyless, counts.settings) : refusedSentences(behind.refused);
    return { ...counts, readings, events, known, left: sentences };
  }

  /** Stores instruments, places, hygrometers and cards that are not there yet. */
  private async storeThings(things: Things, air: ArchivedAir, household: HouseholdRow, transaction: Transaction) {
    const { models } = this.database;
    const there = await this.scope.instrumentRows(transaction);
    const rooms = await models.Place.findAll({
      where: this.scope.where({}),
      attributes: ['id', 'kind'],
      transaction,
      raw: true,
    });
    const empty = there.size === 0 && rooms.length === 0;
    if (empty) {
      const { schools, ...settings } = things.settings;
      await household.update(
        { ...settings, schools: JSON.stringify(schools), version: household.version + 1 },
        { transaction },
      );
    }
    const instruments = things.instruments.filter(({ id }) => !there.has(id));
    const knownPlaces = new Set(rooms.map(({ id }) => id));
    const places = things.places.filter(({ id }) => !knownPlaces.has(id));
    checkQuota('instruments', there.size, instruments.length);
    checkQuota('places', rooms.length, places.length);
    for (const place of places) checkRoom([...rooms, ...places], place.id, place);
    await models.Instrument.bulkCreate(
      instruments.map(({ id, addedAt, givenAt, givenTo, ...facts }) =>
        this.scope.where({ id, ...instrumentColumns(facts), addedAt, givenAt, givenTo, version: 1 }),
      ),
      { transaction },
    );
    await models.Place.bulkCreate(
      places.map(({ id, ...place }, at) =>
        this.scope.where({ id, ...placeColumns(place), addedAt: new Date(Date.now() + at), version: 1 }),
      ),
      { transaction },
    );
    const { sensors, keyless } = await air.bring(things.sensors, transaction);
    const cards = new CardScope(this.database, this.scope);
    const before = await models.Card.count({ where: this.scope.where({}), transaction });
    // Who has something on loan is there before the loan.
    await this.storePeople(things.people, transaction);
    await cards.addIn(things.cards, transaction);
    const after = await models.Card.count({ where: this.scope.where({}), transaction });
    return {
      instruments: instruments.length,
      places: places.length,
      sensors,
      keyless,
      cards: after - before,
      settings: empty,
    };
  }

  /** Persons that are not there yet come without what they sign in with: what they did keeps their name. */
  private async storePeople(people: Things['people'], transaction: Transaction): Promise<void> {
    const { Person } = this.database.models;
    const rows = await Person.findAll({ where: this.scope.where({}), attributes: ['id'], transaction, raw: true });
    const there = new Set(rows.map(({ id }) => id));
    const addedAt = Date.now();
    await Person.bulkCreate(
      people
        .filter(({ id }) => !there.has(id))
        .map(({ plays, looksAfter, schools, hands, ...person }, at) =>
          this.scope.where({
            ...person,
            plays: JSON.stringify(plays),
            looksAfter: JSON.stringify(looksAfter),
            ways: waysText({ schools, hands }),
            accountId: null,
            addedAt: new Date(addedAt + at),
            version: 1,
          }),
        ),
      { transaction },
    );
  }
}

/** Thrown to take back what was only tried out. */
class OnlyLooked extends Error {
  constructor(readonly outcome: Outcome) {
    super('Nothing was kept.');
  }
}

/** Thrown where the household was written to between reading a file and storing it. */
class Overtaken extends Error {}

/** What of a household does not come along with its file, a sentence each. */
function leftBehind({ readings, refused }: Omit<LeftBehind, 'known'>, keyless: number, empty: boolean): string[] {
  return [
    ...refusedSentences(refused),
    ...(keyless > 0
      ? [
          `${keyless === 1 ? 'One hygrometer sends' : `${keyless} hygrometers send`} by itself: its key is not in the file. Make a new one on its page.`,
        ]
      : []),
    ...(readings > 0 ? [`${readings} old readings were too many for the file.`] : []),
    ...(empty ? [] : ['The name, time zone, schools and currency of this household stay as they are.']),
    'Accounts, the address of the calendar feed and the settings of a device are not in the file.',
  ];
}

function refusedSentences({ count, why }: LeftBehind['refused']): string[] {
  if (count === 0) return [];
  const more = count > why.length ? [`And ${count - why.length} more.`] : [];
  return [`${count === 1 ? 'One entry' : `${count} entries`} cannot have been, and stay behind.`, ...why, ...more];
}
