import { QueryTypes } from 'sequelize';
import type { Database } from '../database/connect';
import type { Storage } from './storage';

/** Pictures removed from the store at a time. */
const AT_ONCE = 200;

/**
 * Removes from the store what no photograph names any more: photographs that were removed, those of instruments and households that
 * went, and pictures that came while the server ended. Several may do it at once.
 */
export async function sweepPhotos({ sequelize }: Pick<Database, 'sequelize'>, storage: Storage | null): Promise<void> {
  if (!storage) return;
  const rows = await sequelize.query<{ id: string }>(
    `SELECT blobs.id FROM blobs LEFT JOIN photos ON photos.\`blob\` = blobs.id
     WHERE photos.\`blob\` IS NULL AND blobs.until <= UTC_TIMESTAMP(3) LIMIT ${AT_ONCE}`,
    { type: QueryTypes.SELECT },
  );
  for (const { id } of rows) {
    await storage.remove(id);
    await sequelize.query('DELETE FROM blobs WHERE id = :id', { replacements: { id } });
  }
}
