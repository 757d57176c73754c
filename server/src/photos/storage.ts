import { randomUUID } from 'node:crypto';
import { mkdir, open, readFile, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';

/** Where pictures are kept, each under an id that is given once. */
export interface Storage {
  /** Keeps a picture whole, or throws and keeps nothing. */
  put(id: string, bytes: Uint8Array): Promise<void>;
  /** A picture; null where there is none. */
  get(id: string): Promise<Buffer | null>;
  /** Removes a picture; one that is not there is no fault. */
  remove(id: string): Promise<void>;
}

const isMissing = (error: unknown) => (error as NodeJS.ErrnoException).code === 'ENOENT';

/** Pictures in a folder of this machine. */
export class FolderStorage implements Storage {
  constructor(private readonly folder: string) {}

  private path = (id: string) => join(this.folder, id.slice(-2), `${id}.jpg`);

  async put(id: string, bytes: Uint8Array): Promise<void> {
    const path = this.path(id);
    await mkdir(dirname(path), { recursive: true, mode: 0o700 });
    const half = `${path}.${randomUUID()}`;
    try {
      const file = await open(half, 'wx', 0o600);
      try {
        await file.writeFile(bytes);
        await file.sync();
      } finally {
        await file.close();
      }
      await rename(half, path);
    } catch (error) {
      await rm(half, { force: true });
      throw error;
    }
  }

  async get(id: string): Promise<Buffer | null> {
    try {
      return await readFile(this.path(id));
    } catch (error) {
      if (isMissing(error)) return null;
      throw error;
    }
  }

  async remove(id: string): Promise<void> {
    await rm(this.path(id), { force: true });
  }
}
