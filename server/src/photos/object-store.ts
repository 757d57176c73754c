import { SECOND_MS } from '@tembrin/core';
import { AwsClient } from 'aws4fetch';
import { PHOTO_BYTES } from '@tembrin/contract';
import type { Config } from '../config';
import { fail } from '../problems/problems';
import { FolderStorage, type Storage } from './storage';

/** A store that has not answered after so long is out of reach. */
const PATIENCE_MS = 20 * SECOND_MS;

type Settings = Pick<Config, 'PHOTO_STORE_KEY' | 'PHOTO_STORE_SECRET' | 'PHOTO_STORE_REGION'>;

/** Pictures in an S3-compatible store that several servers share. */
export class ObjectStorage implements Storage {
  private readonly client: AwsClient;

  constructor(
    private readonly bucket: string,
    { PHOTO_STORE_KEY = '', PHOTO_STORE_SECRET = '', PHOTO_STORE_REGION }: Settings,
  ) {
    this.client = new AwsClient({
      accessKeyId: PHOTO_STORE_KEY,
      secretAccessKey: PHOTO_STORE_SECRET,
      region: PHOTO_STORE_REGION,
      service: 's3',
      retries: 2,
    });
  }

  private async ask(id: string, method: 'GET' | 'PUT' | 'DELETE', bytes?: Uint8Array): Promise<Response> {
    const response = await this.client
      .fetch(`${this.bucket.replace(/\/$/, '')}/${id}.jpg`, {
        method,
        signal: AbortSignal.timeout(PATIENCE_MS),
        ...(bytes && { body: Buffer.from(bytes), headers: { 'Content-Type': 'image/jpeg' } }),
      })
      .catch(() => null);
    if (response && (response.ok || response.status === 404)) return response;
    await response?.body?.cancel();
    return fail(
      503,
      'no-photo-store',
      'The store of photos cannot be reached. Try again in a moment; nothing is lost.',
    );
  }

  async put(id: string, bytes: Uint8Array): Promise<void> {
    const response = await this.ask(id, 'PUT', bytes);
    await response.body?.cancel();
    if (!response.ok) fail(503, 'no-photo-store', 'The store of photos is not set up. Tell who runs this server.');
  }

  async get(id: string): Promise<Buffer | null> {
    const response = await this.ask(id, 'GET');
    const isPicture = response.ok && Number(response.headers.get('content-length') ?? 0) <= PHOTO_BYTES;
    if (isPicture) return Buffer.from(await response.arrayBuffer());
    await response.body?.cancel();
    return null;
  }

  async remove(id: string): Promise<void> {
    await (await this.ask(id, 'DELETE')).body?.cancel();
  }
}

/** Where this server keeps photographs; null where it keeps none. */
export function storageOf(config: Settings & Pick<Config, 'PHOTOS_DIR' | 'PHOTO_STORE_URL'>): Storage | null {
  if (config.PHOTO_STORE_URL !== undefined) return new ObjectStorage(config.PHOTO_STORE_URL, config);
  return config.PHOTOS_DIR === undefined ? null : new FolderStorage(config.PHOTOS_DIR);
}
