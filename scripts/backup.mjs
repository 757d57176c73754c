import { resolve } from 'node:path';
import { statSync } from 'node:fs';
import { backUp } from './lib/backup.mjs';
import { DATA, DEBIAN, ensureDebian, ensurePackages } from './lib/project.mjs';

const stamp = new Date().toISOString().slice(0, 16).replaceAll(/[:T]/g, '-');
const target = resolve(process.argv[2] ?? `tembrin-${stamp}.tar.gz`);
try {
  ensureDebian({ ...DEBIAN, 'mariadb-dump': ['mariadb-client'] });
  ensurePackages();
  await backUp(DATA, target);
  console.log(
    `Backed up to ${target} (${(statSync(target).size / 1e6).toFixed(1)} MB). It holds all that is private: keep it safe.`,
  );
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
