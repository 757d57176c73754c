import { rmSync } from 'node:fs';

export default async function tearDown() {
  const { database, folder } = globalThis.tembrinTestDatabase;
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
