import type { NewPlace, Place, PlaceChange } from '@tembrin/contract';
import type { Transaction } from 'sequelize';
import type { Database } from '../../database/connect';
import type { PlaceRow } from '../../database/models';
import { CHANGED, fail } from '../../problems/problems';
import { checkQuota } from '../../problems/quota';
import type { HouseholdScope } from '../scope';

/** A household's rooms and cases. */
export class PlaceScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {}

  /** Rooms and cases in the order in which they were added. */
  async places(): Promise<Place[]> {
    const sql = 'SELECT id, name, kind, roomId, facts, version FROM places WHERE householdId = ? ORDER BY addedAt, id';
    return (await this.database.reads.rows<PlaceKept>(sql, [this.scope.identity.householdId])).map(placeOf);
  }

  /** The same, with the household's time zone, read at once. @throws ProblemError 401 where the household is gone */
  async placesAndZone(): Promise<{ places: Place[]; timeZone: string }> {
    const sql = `SELECT timeZone, places.id, places.name, kind, roomId, facts, places.version
      FROM households LEFT JOIN places ON places.householdId = households.id WHERE households.id = ?
      ORDER BY addedAt, places.id`;
    type Joined = { timeZone: string } & (PlaceKept | Record<keyof PlaceKept, null>);
    const rows = await this.database.reads.rows<Joined>(sql, [this.scope.identity.householdId]);
    const { timeZone } = rows[0] ?? (await this.scope.row());
    return { timeZone, places: rows.filter((row) => row.id !== null).map(placeOf) };
  }

  async add({ id, ...place }: NewPlace): Promise<Place> {
    return this.scope.alone(async (transaction) => {
      const rows = await this.rows(transaction);
      const there = rows.find((row) => row.id === id);
      if (there) return placeOf(there);
      checkQuota('places', rows.length);
      checkRoom(rows, id, place);
      const row = await this.database.models.Place.create(
        this.scope.where({ id, ...placeColumns(place), addedAt: new Date(), version: 1 }),
        { transaction },
      );
      return placeOf(row);
    });
  }

  async change(id: string, version: number, change: PlaceChange): Promise<Place> {
    return this.scope.alone(async (transaction) => {
      const row = await this.rowAt(id, version, transaction);
      if (row.kind !== change.kind) fail(422, 'invalid', 'A room stays a room, a case a case. Add another instead.');
      checkRoom(await this.rows(transaction), id, change);
      await row.update({ ...placeColumns(change), version: version + 1 }, { transaction });
      return placeOf(row);
    });
  }

  async remove(id: string, version: number): Promise<void> {
    await this.scope.alone(async (transaction) => {
      const row = await this.rowAt(id, version, transaction);
      const { Sensor, Place } = this.database.models;
      const sensors = await Sensor.count({ where: this.scope.where({ placeId: id }), transaction });
      if (sensors > 0) fail(409, 'place-in-use', 'A hygrometer still hangs here. Move or remove it first.');
      const cases = await Place.count({ where: this.scope.where({ roomId: id }), transaction });
      if (cases > 0) fail(409, 'place-in-use', 'A case still stands here. Move it to another room first.');
      await row.destroy({ transaction });
    });
  }

  private rows(transaction: Transaction): Promise<PlaceRow[]> {
    return this.database.models.Place.findAll({ where: this.scope.where({}), transaction });
  }

  private async rowAt(id: string, version: number, transaction: Transaction): Promise<PlaceRow> {
    const row = await this.database.models.Place.findOne({ where: this.scope.where({ id }), transaction });
    if (!row) fail(404, 'no-such-place', NO_SUCH_PLACE);
    if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
    return row;
  }
}

export const NO_SUCH_PLACE = 'There is no such room or case here. It may have been removed.';

type PlaceFacts = Omit<Place, 'id' | 'name' | 'kind' | 'roomId' | 'version'>;

type PlaceKept = Pick<PlaceRow, 'id' | 'name' | 'kind' | 'roomId' | 'facts' | 'version'>;

function placeOf(row: PlaceKept): Place {
  const { id, name, kind, roomId, version } = row;
  return { id, name, kind: kind as Place['kind'], roomId, version, ...(JSON.parse(row.facts) as PlaceFacts) };
}

/** A place as columns. */
export function placeColumns({ name, kind, roomId, ...facts }: PlaceChange) {
  return { name, kind, roomId, facts: JSON.stringify(facts satisfies PlaceFacts) };
}

/** @throws ProblemError 422 where a case stands in a room that is not there */
export function checkRoom(
  rows: readonly Pick<PlaceRow, 'id' | 'kind'>[],
  id: string,
  { roomId }: Pick<PlaceChange, 'roomId'>,
): void {
  if (roomId === null || rows.some((row) => row.id === roomId && row.kind === 'room' && row.id !== id)) return;
  const detail = 'There is no such room. Choose one that is there.';
  fail(422, 'no-such-place', detail, { roomId: detail });
}
