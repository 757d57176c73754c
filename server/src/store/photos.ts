import { createHash, randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { keptPhoto, type KeptFault } from '@tembrin/core/vision';
import type { KeptPhoto } from '@tembrin/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import type { PhotoRow } from '../database/models';
import type { Storage } from '../photos/storage';
import { sweepPhotos } from '../photos/sweep';
import { fail } from '../problems/problems';
import { checkQuota } from '../problems/quota';
import type { HouseholdScope } from './scope';

/** A picture that is put into the store is a photograph's after so long at the latest, min. */
const LONGEST_PUT_MIN = 60;

const FAULTS: Readonly<Record<KeptFault, string>> = {
  'not-a-photo': 'That is no photograph. Photos are kept as JPEG.',
  'cut-off': 'That photograph is not whole. Send it again.',
  'too-large': 'That photograph is larger than 2048 pixels a side.',
  'carries-notes': 'That photograph carries notes of place, time or camera. They are taken out before it is sent.',
};

interface Named {
  id: string;
  photo: string;
}

function photoOf({ instrumentId, photo, bytes, width, height }: PhotoRow): KeptPhoto {
  return { instrumentId, photo, bytes, width, height };
}

/** A household's photographs. */
export class PhotoScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
    private readonly storage: Storage | null,
  ) {}

  async list(): Promise<KeptPhoto[]> {
    const rows = await this.database.models.Photo.findAll({ where: this.scope.where({}), order: ['keptAt', 'photo'] });
    return rows.filter(({ instrumentId }) => this.scope.sees(instrumentId)).map(photoOf);
  }

  /**
   * Keeps a photograph, unless it is kept already. The picture goes into the store before anything names it, and none names it unless
   * it is there.
   * @param path of the file that came
   * @throws ProblemError 404, 422 where it is not what it is said to be, or more than is kept; 503 where the store is not there
   */
  async keep({ id, photo }: Named, path: string): Promise<KeptPhoto> {
    return (await this.keepBytes({ id, photo }, await readFile(path))).row;
  }

  /** Keeps a photograph. @returns it, and whether it was there already */
  async keepBytes({ id, photo }: Named, bytes: Buffer): Promise<{ row: KeptPhoto; known: boolean }> {
    const size = keptPhoto(bytes);
    if (typeof size === 'string') fail(422, 'not-kept', FAULTS[size]);
    if (createHash('sha256').update(bytes).digest('hex') !== photo)
      fail(422, 'another-photo', 'What came is not the photograph it was said to be. Send it again.');
    const storage = this.store();
    await this.checkInstrument(id);
    const there = await this.row({ id, photo });
    if (there) return { row: photoOf(there), known: true };
    await this.checkRoom(bytes.length);
    const blob = randomUUID();
    await this.database.sequelize.query(
      `INSERT INTO blobs (id, until) VALUES (:blob, UTC_TIMESTAMP(3) + INTERVAL ${LONGEST_PUT_MIN} MINUTE)`,
      { replacements: { blob } },
    );
    await storage.put(blob, bytes);
    return this.scope.alone(async (transaction) => {
      await this.checkInstrument(id, transaction);
      // Sent twice at once: the second picture is nobody's, and goes.
      const meanwhile = await this.row({ id, photo }, transaction);
      if (meanwhile) return { row: photoOf(meanwhile), known: true };
      await this.checkRoom(bytes.length, transaction);
      await this.hold(blob, transaction);
      const facts = { instrumentId: id, photo, blob, bytes: bytes.length, ...size, keptAt: new Date() };
      const row = await this.database.models.Photo.create(this.scope.where(facts), { transaction });
      return { row: photoOf(row), known: false };
    });
  }

  /** A photograph's bytes. @throws ProblemError 404 */
  async read(named: Named): Promise<Buffer> {
    const row = (await this.row(named)) ?? noSuchPhoto();
    return (await this.store().get(row.blob)) ?? noSuchPhoto();
  }

  /** The bytes of an instrument's photographs, in their order; those that are not kept, or not yet, are left out. @throws ProblemError 503 */
  async readAll(id: string, photos: readonly string[]): Promise<Buffer[]> {
    const pictures: Buffer[] = [];
    for (const photo of photos) {
      const row = await this.row({ id, photo });
      const bytes = row && (await this.store().get(row.blob));
      if (bytes) pictures.push(bytes);
    }
    return pictures;
  }

  /** Removes a photograph, and its picture from the store. @throws ProblemError 404 */
  async remove(named: Named): Promise<void> {
    await this.scope.alone(async (transaction) => {
      const row = (await this.row(named, transaction)) ?? noSuchPhoto();
      await row.destroy({ transaction });
    });
    await this.sweep();
  }

  /** Takes out of the store what is nobody's; what fails now is done soon. */
  async sweep(): Promise<void> {
    await sweepPhotos(this.database, this.storage).catch(() => undefined);
  }

  private store(): Storage {
    return this.storage ?? fail(503, 'no-photo-store', 'This server keeps no photos. Tell who runs it.');
  }

  private async row({ id, photo }: Named, transaction?: Transaction): Promise<PhotoRow | null> {
    if (!this.scope.sees(id)) return null;
    return this.database.models.Photo.findOne({ where: this.scope.where({ instrumentId: id, photo }), transaction });
  }

  private async checkInstrument(id: string, transaction?: Transaction): Promise<void> {
    const where = this.scope.where({ id });
    const { Instrument: Instruments } = this.database.models;
    if (this.scope.sees(id) && (await Instruments.findOne({ where, attributes: ['id'], transaction }))) return;
    fail(404, 'no-such-instrument', 'There is no such instrument here. It may have been removed.');
  }

  private async checkRoom(coming: number, transaction?: Transaction): Promise<void> {
    const where = this.scope.where({});
    const { Photo } = this.database.models;
    const [count, bytes] = [
      await Photo.count({ where, transaction }),
      await Photo.sum('bytes', { where, transaction }),
    ];
    checkQuota('photos', count);
    checkQuota('photoBytes', Number(bytes ?? 0), coming);
  }

  /** Has a picture stay in the store as long as a photograph names it. @throws ProblemError 503 where it took too long */
  private async hold(blob: string, transaction: Transaction): Promise<void> {
    const changed = await this.database.sequelize.query(
      'UPDATE blobs SET until = UTC_TIMESTAMP(3) WHERE id = :blob AND until > UTC_TIMESTAMP(3)',
      { replacements: { blob }, type: QueryTypes.BULKUPDATE, transaction },
    );
    if (Number(changed) !== 1) fail(503, 'busy', 'The store of photos was very slow. Send the photo again.');
  }
}

function noSuchPhoto(): never {
  return fail(404, 'no-such-photo', 'That photo is not kept any more. It may have been removed.');
}
