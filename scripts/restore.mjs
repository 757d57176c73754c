import { resolve } from 'node:path';
import { restore } from './lib/backup.mjs';
import { DATA, DEBIAN, ensureDebian, ensurePackages } from './lib/project.mjs';

try {
  if (!process.argv[2]) throw new Error('Name the backup: npm run restore -- tembrin-2026-01-31-12-00.tar.gz');
  ensureDebian(DEBIAN);
  ensurePackages();
  const aside = await restore(DATA, resolve(process.argv[2]));
  console.log('The backup is in place. npm start begins with it; everybody signs in again.');
  if (aside) console.log(`What was there before is in ${aside}. Remove it once you are content.`);
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
