import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './lib/project.mjs';

/** What takes too long for `npm test`: servers on a cluster, under load while things are killed, and from the release before. */
const CHECKS = { cluster: 'cluster-check.mjs', upgrade: 'upgrade-check.mjs', soak: 'soak.mjs' };
/** A check that takes so long hangs: twice what the longest of them takes. */
const ENDLESS_MS = 15 * 60_000;
const env = { SOAK_MINUTES: '5', ...process.env };

let failed = 0;
for (const [name, file] of Object.entries(CHECKS)) {
  console.log(`\n— ${name}`);
  const options = { cwd: ROOT, env, stdio: 'inherit', timeout: ENDLESS_MS };
  const { status } = spawnSync(process.execPath, [join(ROOT, 'scripts', file)], options);
  if (status !== 0) failed++;
}
console.log(`\n${Object.keys(CHECKS).length - failed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
